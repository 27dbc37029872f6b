<script setup lang="ts">
/** Weather and ground, the heat estimated from them, the organisation's own limits, and the decision of a person. */
import { HEAT_DECISIONS, heatAdvice, heatFromAir, recordsOf, printHeat } from '@able-gauge/core'
import { BButton, BFormInput, BFormRadio } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import type { Day } from '../day/day.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useRecords } from '../day/useRecords.ts'
import { useSession } from '../session/sessionStore.ts'
import { dateAndTime } from '../ui/localTime.ts'

const props = defineProps<{
  day: Day
}>()

const session = useSession()
const house = useHouseRules()
onMounted(() => void house.read())
const { write, writing, problem } = useRecords(() => props.day)

const taken = computed(() => recordsOf(props.day.records, 'conditions'))
const decisions = computed(() => recordsOf(props.day.records, 'heatDecided'))
const last = computed(() => taken.value.at(-1))
const mayTake = computed(() => session.can('log.conditions') && !props.day.occasion.signedOff)
const mayDecide = computed(() => session.can('log.heatDecided') && !props.day.occasion.signedOff)

const form = reactive({ air: '', humidity: '', wind: '', wbgt: '', altitude: '', surface: '', worn: '' })
const wrong = ref('')
/** @returns a whole number, null for nothing typed */
const figure = (text: string, factor: number): number | null => {
  const value = Number(text.trim().replace(',', '.').replace('−', '-'))
  return text.trim() === '' || !Number.isFinite(value) ? null : Math.round(value * factor)
}
const take = async (): Promise<void> => {
  const [airDeciC, humidityPercent] = [figure(form.air, 10), figure(form.humidity, 1)]
  if (airDeciC === null || humidityPercent === null || form.surface.trim() === '') {
    wrong.value = 'Air temperature and humidity as numbers, and the surface in words, are needed.'
    return
  }
  wrong.value = ''
  const [windKmh, wbgtDeciC, altitudeM] = [figure(form.wind, 1), figure(form.wbgt, 10), figure(form.altitude, 1)]
  await write({
    kind: 'conditions',
    airDeciC,
    humidityPercent,
    surface: form.surface.trim(),
    worn: form.worn.trim(),
    ...(windKmh === null ? {} : { windKmh }),
    ...(wbgtDeciC === null ? {} : { wbgtDeciC }),
    ...(altitudeM === null ? {} : { altitudeM }),
  })
}

const heat = computed(() => {
  const conditions = last.value?.content
  if (!conditions) return null
  if (conditions.wbgtDeciC !== undefined) return { deciC: conditions.wbgtDeciC, estimate: null }
  const estimate = heatFromAir(conditions.airDeciC / 10, conditions.humidityPercent)
  return { deciC: Math.round(estimate.value * 10), estimate }
})
const advice = computed(() => (heat.value && house.rules ? heatAdvice(house.rules, heat.value.deciC) : null))

const decision = ref<(typeof HEAT_DECISIONS)[number]>('go')
const reason = ref('')
const WORDS = { go: 'The day goes on as planned', change: 'It goes on with changes', stop: 'It is stopped' } as const
const decide = async (): Promise<void> => {
  if (await write({ kind: 'heatDecided', decision: decision.value, reason: reason.value.trim() })) reason.value = ''
}
const sayConditions = ({
  airDeciC,
  humidityPercent,
  windKmh,
  altitudeM,
  surface,
  worn,
}: (typeof taken.value)[number]['content']): string =>
  [
    `${printHeat(airDeciC)}, ${humidityPercent} % humidity`,
    ...(windKmh === undefined ? [] : [`wind ${windKmh} km/h`]),
    ...(altitudeM === undefined ? [] : [`${altitudeM} m above sea level`]),
    surface,
    ...(worn === '' ? [] : [`worn: ${worn}`]),
  ].join(', ')
</script>

<template>
  <div class="columns">
    <section class="sheet part">
      <h2>Conditions</h2>
      <p v-if="taken.length === 0" class="quiet">
        Not taken yet. Take them before the first event, and again when they change.
      </p>
      <ol class="taken">
        <li v-for="one in taken" :key="one.id">
          {{ sayConditions(one.content) }}
          <small class="quiet">{{ one.actor }}, {{ dateAndTime(one.atMs, day.occasion.zone) }}</small>
        </li>
      </ol>
      <form v-if="mayTake" class="fields" @submit.prevent="take">
        <label>Air in °C <BFormInput v-model="form.air" class="figures" inputmode="decimal" /></label>
        <label>Humidity in % <BFormInput v-model="form.humidity" class="figures" inputmode="numeric" /></label>
        <label>Wind in km/h <BFormInput v-model="form.wind" class="figures" inputmode="numeric" /></label>
        <label
          >WBGT from an instrument, °C <BFormInput v-model="form.wbgt" class="figures" inputmode="decimal"
        /></label>
        <label>Altitude in m <BFormInput v-model="form.altitude" class="figures" inputmode="numeric" /></label>
        <label>Surface <BFormInput v-model="form.surface" maxlength="120" /></label>
        <label>Worn <BFormInput v-model="form.worn" maxlength="200" /></label>
        <BButton type="submit" :variant="last ? 'quiet' : 'primary'" :disabled="writing">
          Record the conditions
        </BButton>
      </form>
      <p v-if="wrong || problem" class="problem" role="alert">{{ wrong || problem }}</p>
    </section>
    <section class="sheet part">
      <h2>Heat</h2>
      <template v-if="heat">
        <p class="value">
          <strong class="figures">{{ printHeat(heat.deciC) }}</strong> wet bulb globe temperature{{
            heat.estimate ? ', estimated' : ', measured'
          }}
        </p>
        <p v-if="heat.estimate" class="quiet">
          From {{ heat.estimate.source }}.
          {{ heat.estimate.isWithin ? '' : `Outside its range (${heat.estimate.range}); take it with care.` }}
        </p>
      </template>
      <p v-else class="quiet">Follows from the conditions.</p>
      <p v-if="advice" class="advice">Your limit: {{ advice.advice }}. {{ advice.measure }}</p>
      <p v-else-if="heat && (house.rules?.heat.length ?? 0) === 0" class="quiet">
        Your organisation has set no limits yet. They are set under House rules; no figure of ours stands in for them.
      </p>
      <p v-else-if="heat" class="quiet">Below every limit of your organisation.</p>
      <ul class="taken">
        <li v-for="one in decisions" :key="one.id">
          <strong>{{ WORDS[one.content.decision] }}.</strong> {{ one.content.reason }}
          <small class="quiet">{{ one.actor }}, {{ dateAndTime(one.atMs, day.occasion.zone) }}</small>
        </li>
      </ul>
      <form v-if="mayDecide && last" class="decide" @submit.prevent="decide">
        <BFormRadio v-for="one in HEAT_DECISIONS" :key="one" v-model="decision" class="tick" name="heat" :value="one">{{
          WORDS[one]
        }}</BFormRadio>
        <label>Reason <BFormInput v-model="reason" maxlength="500" required /></label>
        <BButton
          type="submit"
          :variant="decisions.length === 0 ? 'primary' : 'quiet'"
          :disabled="writing || reason.trim() === ''"
        >
          Record the decision
        </BButton>
      </form>
    </section>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  gap: 16px;
  align-items: start;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 10px 14px;
  align-items: end;
  margin-top: 12px;
}
.taken {
  padding-left: 18px;
  margin: 8px 0;
}
.taken small {
  display: block;
}
.value strong {
  font-size: 2rem;
}
.advice {
  padding: 8px 12px;
  background: var(--decide-tint);
  color: var(--decide);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.decide {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
