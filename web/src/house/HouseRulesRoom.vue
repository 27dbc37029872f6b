<script setup lang="ts">
/** The organisation's own rules: screening questions, consent, heat limits, the briefing. */
import { BFormCheckbox, BFormInput, BFormTextarea } from 'bootstrap-vue-next'
import { watch } from 'vue'
import { useHouseRules } from '../day/houseRules.ts'
import { writeAs } from '../ui/houseStyle.ts'
import HouseBand from '../ui/HouseBand.vue'
import { useSession } from '../session/sessionStore.ts'
import HouseBriefings from './HouseBriefings.vue'
import HouseHeat from './HouseHeat.vue'
import HouseMark from './HouseMark.vue'
import HousePractice, { type PracticeDraft } from './HousePractice.vue'
import HouseRetests from './HouseRetests.vue'
import { retestDraftOf, retestOf, type RetestDraft } from './retestDraft.ts'
import HouseKeys from './HouseKeys.vue'
import HouseLog from './HouseLog.vue'
import HouseScreening from './HouseScreening.vue'
import HouseStyleFields from './HouseStyleFields.vue'
import { styleDraftOf, styleOf, type StyleDraft } from './styleDraft.ts'
import HouseTabs from './HouseTabs.vue'
import SaveBar from './SaveBar.vue'
import { useHouseDraft } from './useHouseDraft.ts'

interface Draft {
  organisation: string
  publicAddress: string
  standardsPublic: boolean
  screening: { id: string; text: string; holdsOn: 'yes' | 'no' }[]
  consent: string
  consentNeeded: boolean
  heat: { fromC: number; advice: 'change' | 'stop'; measure: string }[]
  briefing: string
  briefings: { standardId: string; lines: string }[]
  style: StyleDraft
  retests: RetestDraft[]
  practice: PracticeDraft
  keepDays: number | ''
  idleMinutes: number | ''
  administratorsByCode: boolean
  signingByCode: boolean
}

const ADDRESS_EXAMPLE = 'https://tests.example'

/** To begin with, where the house asks for practice. */
const USUAL_PRACTICE = { atLeastHundredths: 80, level: 2, withinDays: 90 }
const ruleOf = ({ asked: _asked, ...rule }: PracticeDraft): Omit<PracticeDraft, 'asked'> => rule

const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')

const session = useSession()
const house = useHouseRules()
const { draft, problem, saved, isChanged, save, drop } = useHouseDraft<Draft>(
  'rules',
  (rules) => ({
    organisation: rules.organisation ?? '',
    publicAddress: rules.publicAddress ?? '',
    standardsPublic: rules.standardsPublic === true,
    screening: rules.screening.map((one) => ({ ...one })),
    consent: rules.consent,
    consentNeeded: rules.consentNeeded,
    heat: rules.heat.map(({ fromDeciC, ...rest }) => ({ ...rest, fromC: fromDeciC / 10 })),
    briefing: rules.briefing.join('\n'),
    briefings: (rules.briefings ?? []).map(({ standardId, lines }) => ({ standardId, lines: lines.join('\n') })),
    style: styleDraftOf(rules.style),
    retests: (rules.retests ?? []).map(retestDraftOf),
    practice: { asked: rules.practice !== undefined, ...(rules.practice ?? USUAL_PRACTICE) },
    keepDays: rules.keepDays ?? '',
    idleMinutes: rules.idleMinutes ?? '',
    administratorsByCode: rules.administratorsByCode === true,
    signingByCode: rules.signingByCode === true,
  }),
  (
    {
      organisation: _organisation,
      publicAddress: _address,
      keepDays: _keepDays,
      idleMinutes: _idle,
      practice: _practice,
      ...rules
    },
    { organisation, publicAddress, keepDays, idleMinutes, ...edited },
  ) => ({
    ...rules,
    ...(organisation.trim() === '' ? {} : { organisation: organisation.trim() }),
    ...(publicAddress.trim() === '' ? {} : { publicAddress: publicAddress.trim().replace(/\/$/, '') }),
    ...(keepDays === '' ? {} : { keepDays }),
    ...(idleMinutes === '' ? {} : { idleMinutes }),
    administratorsByCode: edited.administratorsByCode,
    signingByCode: edited.signingByCode,
    standardsPublic: edited.standardsPublic,
    screening: edited.screening,
    consent: edited.consent.trim(),
    consentNeeded: edited.consentNeeded,
    heat: edited.heat.map(({ fromC, advice, measure }) => ({
      fromDeciC: Math.round(fromC * 10),
      advice,
      measure: measure.trim(),
    })),
    briefing: linesOf(edited.briefing),
    briefings: edited.briefings
      .map(({ standardId, lines }) => ({ standardId, lines: linesOf(lines) }))
      .filter(({ lines }) => lines.length > 0),
    style: styleOf(edited.style),
    retests: edited.retests.map(retestOf),
    ...(edited.practice.asked ? { practice: ruleOf(edited.practice) } : {}),
  }),
)
// dates and figures of this page follow at once
watch(saved, (is) => {
  if (is) writeAs(house.rules?.style ?? null)
})
</script>

<template>
  <HouseBand />
  <main class="room">
    <HouseTabs />
    <h1>House rules</h1>
    <p class="quiet">
      What your organisation asks and allows on its own account, on every day. Clinicians and local law decide what
      belongs here; the program only reminds.
    </p>
    <form v-if="draft" @submit.prevent="save">
      <section class="sheet part">
        <h2 id="organisation">Organisation</h2>
        <BFormInput
          v-model="draft.organisation"
          maxlength="120"
          autocomplete="organization"
          aria-labelledby="organisation"
          placeholder="its name, shown where people sign in"
        />
        <label class="short" for="public-address">Where others reach this house</label>
        <BFormInput
          id="public-address"
          v-model="draft.publicAddress"
          maxlength="200"
          inputmode="url"
          :placeholder="ADDRESS_EXAMPLE"
        />
        <p class="quiet">Links and codes on printed result sheets begin with it; without it none are printed.</p>
        <BFormCheckbox v-model="draft.standardsPublic" class="tick"
          >Published standards can be read by everybody who has their link</BFormCheckbox
        >
      </section>
      <section class="sheet part">
        <h2>Screening questions</h2>
        <HouseScreening v-model="draft.screening" />
      </section>
      <section class="sheet part">
        <h2>Consent</h2>
        <BFormTextarea v-model="draft.consent" rows="2" maxlength="2000" required aria-label="What people agree to" />
        <BFormCheckbox v-model="draft.consentNeeded" class="tick">Nobody is checked in without it</BFormCheckbox>
      </section>
      <section class="sheet part">
        <h2>Heat limits</h2>
        <p class="quiet">
          In degrees of the wet bulb globe temperature. The program brings none of its own: limits are local, and yours
          to set.
        </p>
        <HouseHeat v-model="draft.heat" />
      </section>
      <section class="sheet part">
        <h2>Briefing for everybody</h2>
        <p class="quiet">One sentence a line. What belongs to one event stands in its standard.</p>
        <BFormTextarea v-model="draft.briefing" rows="7" aria-label="Briefing for everybody" />
        <HouseBriefings v-model="draft.briefings" :first="draft.briefing" />
      </section>
      <section id="retests" class="sheet part">
        <h2>Who is tested how often</h2>
        <HouseRetests v-model="draft.retests" />
      </section>
      <section class="sheet part">
        <h2>Practice of graders</h2>
        <HousePractice v-model="draft.practice" />
      </section>
      <section class="sheet part">
        <h2>How the house writes</h2>
        <HouseStyleFields v-model="draft.style" />
      </section>
      <section class="sheet part">
        <h2>Personal data</h2>
        <label class="short"
          >Kept at least so many days after the last test, and erasable from then on (empty: at any time)
          <BFormInput v-model.number="draft.keepDays" class="figures" type="number" min="1" max="36500"
        /></label>
      </section>
      <section class="sheet part">
        <h2>Signing in</h2>
        <label class="short"
          >Signed out after so many minutes without use (empty: after sixteen hours)
          <BFormInput v-model.number="draft.idleMinutes" class="figures" type="number" min="15" max="960"
        /></label>
        <p class="quiet">
          A day that is open on a device counts as use, so that nobody is signed out beside a candidate.
        </p>
        <BFormCheckbox v-model="draft.administratorsByCode" class="tick"
          >Administrators sign in with a code of an authenticator beside the password</BFormCheckbox
        >
        <BFormCheckbox v-model="draft.signingByCode" class="tick"
          >Signing a day, and amending it, takes such a code too</BFormCheckbox
        >
      </section>
      <SaveBar label="Save the house rules" :is-changed="isChanged" :problem="problem" @drop="drop" />
    </form>
    <section v-if="draft" class="sheet part">
      <h2>Mark</h2>
      <HouseMark />
    </section>
    <HouseKeys v-if="draft" />
    <HouseLog v-if="draft && session.can('securityLog.read')" />
    <p v-if="problem && !draft" class="problem" role="alert">{{ problem }}</p>
  </main>
</template>

<style scoped src="./houseLines.css"></style>
<style scoped>
.part {
  margin-bottom: 16px;
}
</style>
