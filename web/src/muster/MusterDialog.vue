<script setup lang="ts">
/** One person at muster, quickly: identity, screening, consent, measures, choices, bib; then the next. */
import { BButton, BFormCheckbox, BFormInput, BFormRadio, BFormSelect, BModal } from 'bootstrap-vue-next'
import { passedOverAtMuster, printDate, type Attendance } from '@able-gauge/core'
import { computed, onMounted, ref, watch } from 'vue'
import { fullName, type Day, type Entry } from '../day/day.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useSession } from '../session/sessionStore.ts'
import AfterPaint from '../ui/AfterPaint.vue'
import MusterAccount from './MusterAccount.vue'
import MusterHolds from './MusterHolds.vue'
import { useCheckIn } from './useCheckIn.ts'

const props = defineProps<{
  day: Day
  /** Whom to change; null closes the dialog. */
  entry: Entry | null
  /** Whether somebody else waits to be checked in. */
  hasNext: boolean
}>()

const emit = defineEmits<{ close: []; next: [] }>()

const house = useHouseRules()
const session = useSession()
onMounted(() => void house.read())
const {
  form,
  problem,
  saving,
  choices,
  standing,
  units,
  inOtherUnits,
  questions,
  isScreened,
  given,
  concerns,
  holds,
  setUpFields,
  save,
} = useCheckIn(
  () => props.day,
  () => props.entry,
)

const open = computed({ get: () => props.entry !== null, set: (value) => !value && emit('close') })
const askAgain = ref(false)
const asks = computed(() => !isScreened.value || askAgain.value)
const birthDate = computed(() => props.entry?.person.birthDate)
const chooses = computed(() => Object.values(form.choices).some((value) => value !== '') || form.role !== '')

const CHOICES: readonly { readonly id: Attendance; readonly label: string }[] = [
  { id: 'present', label: 'Here, may start' },
  { id: 'held', label: 'Held: may not start' },
  { id: 'late', label: 'Comes later' },
  { id: 'absent', label: 'Absent' },
  { id: 'withdrawn', label: 'Withdrew' },
  { id: 'expected', label: 'Still expected' },
]

/** What would be passed over by checking somebody in as things stand; of who is here already, only what is taken back. */
const passedOver = computed(() => {
  const { entry } = props
  if (form.attendance !== 'present' || !house.rules || !entry) return []
  const before = entry.attendance === 'present' ? { ...entry, isScreened: isScreened.value, answers: [] } : null
  return passedOverAtMuster(house.rules, { ...form, isScreened: isScreened.value, answers: given.value }, before)
})
const PASSED_OVER = {
  identity: 'identity was not checked',
  screening: 'not every question was answered',
  consent: 'there is no consent',
} as const
const asked = ref('')
const stillOpen = computed(() => passedOver.value.map((one) => PASSED_OVER[one]).join(', '))
const isAsked = computed(() => stillOpen.value !== '' && asked.value === stillOpen.value)
watch(
  () => props.entry?.id,
  () => (asked.value = ''),
)

const saveAnd = async (then: 'close' | 'next'): Promise<void> => {
  if (stillOpen.value !== '' && !isAsked.value) {
    asked.value = stillOpen.value
    return
  }
  asked.value = ''
  if (!(await save())) return
  askAgain.value = false
  if (then === 'close') emit('close')
  else emit('next')
}
const answerNo = (): void => {
  form.answers = Object.fromEntries(questions.value.map(({ id, holdsOn }) => [id, holdsOn === 'yes' ? 'no' : 'yes']))
}
</script>

<template>
  <BModal v-model="open" :title="entry ? fullName(entry) : ''" size="xl" scrollable>
    <AfterPaint v-if="entry">
      <form id="check-in" class="columns" @submit.prevent="saveAnd(hasNext ? 'next' : 'close')">
        <section>
          <h2>Who</h2>
          <p class="check">
            {{ entry.person.number
            }}<template v-if="birthDate">, born <strong>{{ printDate(birthDate) }}</strong></template
            >, judged as {{ entry.ageYears }}
          </p>
          <BFormCheckbox v-model="form.identityChecked" class="tick"
            >Identity and date of birth checked against a document</BFormCheckbox
          >
          <div class="pair">
            <label
              >Bib
              <BFormInput id="entry-bib" v-model="form.bib" class="figures" inputmode="numeric" maxlength="5" />
            </label>
            <label
              >Category
              <BFormSelect v-model="form.category">
                <option v-for="one in day.standard.categories" :key="one.id" :value="one.id">{{ one.name }}</option>
              </BFormSelect></label
            >
            <label
              >Body mass in {{ units.mass }}
              <BFormInput v-model="form.bodyMass" class="figures" inputmode="decimal" maxlength="12" />
            </label>
            <label
              >Height in {{ units.height }}
              <BFormInput v-model="form.height" class="figures" maxlength="12" />
            </label>
          </div>
          <p v-if="inOtherUnits" class="quiet hint" role="status">{{ inOtherUnits }}</p>
          <p class="quiet hint">Other units can be written out, such as "150 lb" or "5 ft 8 in".</p>
          <label>Clothing and gear <BFormInput v-model="form.gear" maxlength="200" /></label>
          <label v-for="{ key, label, before } in setUpFields" :key="key"
            >{{ label }}<small v-if="before" class="quiet">, last time {{ before }}</small>
            <BFormInput
              :model-value="form.setUp[key] ?? ''"
              maxlength="60"
              @update:model-value="(text) => (form.setUp[key] = String(text ?? ''))"
            />
          </label>
          <MusterAccount v-if="session.can('accounts.link')" :day="day" :entry="entry" />
          <template v-if="standing.length > 0">
            <h2>Only what was short is done again</h2>
            <p>
              Stands:
              <template v-for="({ name, testDate }, index) in standing" :key="name"
                >{{ index === 0 ? '' : ', ' }}{{ name }} ({{ printDate(testDate) }})</template
              >.
            </p>
            <BFormCheckbox v-model="form.wholeBattery" class="tick">Does everything again all the same</BFormCheckbox>
            <label v-if="form.wholeBattery">Reason <BFormInput v-model="form.reason" maxlength="300" /></label>
          </template>
          <template v-if="choices.length > 0 || day.standard.roles">
            <h2>Instead of the event as it stands</h2>
            <label v-for="choice in choices" :key="choice.eventId"
              >{{ choice.eventName }}
              <BFormSelect v-model="form.choices[choice.eventId]">
                <option :value="undefined">as it stands</option>
                <option v-for="option in choice.options" :key="option.value" :value="option.value">
                  {{ option.label }}
                </option>
              </BFormSelect></label
            >
            <label v-if="day.standard.roles"
              >Role
              <BFormSelect v-model="form.role">
                <option value="">none</option>
                <option v-for="role in day.standard.roles" :key="role.id" :value="role.id">{{ role.name }}</option>
              </BFormSelect></label
            >
            <label v-if="chooses && !form.wholeBattery"
              >Reason <BFormInput v-model="form.reason" maxlength="300"
            /></label>
          </template>
        </section>
        <section>
          <h2>Screening and consent</h2>
          <p v-if="isScreened && !askAgain">
            The questions were put.
            <BButton type="button" variant="quiet" size="sm" @click="askAgain = true">Ask again</BButton>
          </p>
          <template v-if="asks">
            <BButton type="button" class="all" variant="quiet" size="sm" @click="answerNo">Nothing to report</BButton>
            <fieldset v-for="question in questions" :key="question.id" class="question">
              <legend>{{ question.text }}</legend>
              <BFormRadio
                v-for="answer in ['yes', 'no'] as const"
                :key="answer"
                v-model="form.answers[question.id]"
                class="tick"
                :name="question.id"
                :value="answer"
                >{{ answer }}</BFormRadio
              >
            </fieldset>
            <p v-if="concerns.clearance.length > 0" class="needs" role="status">
              Needs clearance. Saving raises a hold that only the officer in charge lifts, with a reason. This is a
              reminder, no diagnosis; your clinicians decide.
            </p>
          </template>
          <BFormCheckbox v-model="form.consented" class="tick consent"
            >Consent: {{ house.rules?.consent }}</BFormCheckbox
          >
          <h2>At muster</h2>
          <div class="choices">
            <BFormRadio
              v-for="{ id, label } in CHOICES"
              :key="id"
              v-model="form.attendance"
              class="tick"
              name="attendance"
              :value="id"
              >{{ label }}</BFormRadio
            >
          </div>
          <label>Note <BFormInput v-model="form.note" maxlength="300" /></label>
          <MusterHolds :day="day" :entry="entry" :holds="holds" />
        </section>
      </form>
    </AfterPaint>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template #footer>
      <p v-if="isAsked" class="asked" role="alert">
        Checked in as here, but {{ stillOpen }}. Press again to save it so; it stays to be seen in the list.
      </p>
      <BButton variant="quiet" @click="emit('close')">Back</BButton>
      <BButton :variant="hasNext ? 'quiet' : 'primary'" :disabled="saving" @click="saveAnd('close')"> Save </BButton>
      <BButton v-if="hasNext" variant="primary" :disabled="saving" @click="saveAnd('next')">Save and next</BButton>
    </template>
  </BModal>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
}
section {
  display: grid;
  gap: 10px;
  align-content: start;
}
h2 {
  margin-top: 6px;
}
p {
  margin: 0;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.consent {
  align-items: flex-start;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
.choices {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.question {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 14px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
.question legend {
  font-size: 0.9375rem;
  margin: 0;
  float: left;
}
.all {
  justify-self: start;
}
.hint {
  font-size: 0.8125rem;
}
.needs {
  padding: 8px 12px;
  background: var(--decide-tint);
  color: var(--decide);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
.asked {
  flex: 1 1 100%;
  padding: 8px 12px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
</style>
