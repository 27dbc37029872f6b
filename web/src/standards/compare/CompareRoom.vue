<script setup lang="ts">
/** Two versions side by side: what changed, what is asked of whom, and who would change. */
import { compareStandards, type Standard, type VersionSummary } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { inWords } from '../../api.ts'
import { useSession } from '../../session/sessionStore.ts'
import HouseBand from '../../ui/HouseBand.vue'
import { readStandard } from '../readStandard.ts'
import { listVersions, readVersion } from '../standardCalls.ts'
import CompareImpact from './CompareImpact.vue'
import CompareTable from './CompareTable.vue'

const route = useRoute()
const session = useSession()
const standardId = String(route.params['standardId'])
const versions = ref<readonly VersionSummary[]>([])
const from = ref(0)
const to = ref(0)
const problem = ref('')
const pair = shallowRef<{ before: Standard; after: Standard } | null>(null)

onMounted(async () => {
  try {
    versions.value = (await listVersions()).filter(({ id }) => id === standardId)
    const numbers = versions.value.map(({ version }) => version)
    const asked = Number(route.query['to'])
    to.value = numbers.includes(asked) ? asked : (numbers[0] ?? 0)
    from.value = numbers.find((number) => number < to.value) ?? numbers.at(-1) ?? 0
  } catch (error) {
    problem.value = inWords(error)
  }
})

const read = async (version: number): Promise<Standard> => {
  const { standard } = await readStandard(await readVersion(standardId, version))
  if (standard) return standard
  throw new Error(`Version ${version} is a draft with errors. Mend what the check finds, then compare it.`)
}
watch([from, to], async ([before, after]) => {
  if (before === 0 || after === 0) return
  problem.value = ''
  pair.value = null
  try {
    pair.value = { before: await read(before), after: await read(after) }
  } catch (error) {
    problem.value = error instanceof Error ? error.message : inWords(error)
  }
})

const comparison = computed(() => (pair.value ? compareStandards(pair.value.before, pair.value.after) : null))
const labelOf = ({ version, state }: VersionSummary): string =>
  `Version ${version}${state === 'published' ? '' : `, ${state}`}`
</script>

<template>
  <HouseBand />
  <main class="room">
    <div class="head">
      <h1>{{ pair?.after.name ?? 'Compare versions' }}</h1>
      <label
        >From
        <BFormSelect v-model="from">
          <option v-for="version in versions" :key="version.version" :value="version.version">
            {{ labelOf(version) }}
          </option>
        </BFormSelect></label
      >
      <label
        >to
        <BFormSelect v-model="to">
          <option v-for="version in versions" :key="version.version" :value="version.version">
            {{ labelOf(version) }}
          </option>
        </BFormSelect></label
      >
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="pair && comparison">
      <CompareImpact
        v-if="session.can('standards.results')"
        :key="`${from} ${to}`"
        :before="pair.before"
        :after="pair.after"
      />
      <section class="sheet changes">
        <h2>What changed</h2>
        <p v-if="comparison.changes.length === 0" class="quiet">Nothing differs between these versions.</p>
        <ul>
          <li v-for="change in comparison.changes" :key="change.what">{{ change.what }}</li>
        </ul>
      </section>
      <CompareTable
        v-for="event in comparison.events"
        :key="event.eventId"
        :event="event"
        :from="from"
        :to="to"
        :categories="pair.after.categories"
      />
    </template>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 14px;
}
h1 {
  margin-right: auto;
}
.head label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.changes {
  padding: 16px 20px;
  margin-bottom: 14px;
}
ul {
  margin: 8px 0 0;
  padding-left: 18px;
  columns: 2;
  column-gap: 32px;
}
li {
  break-inside: avoid;
  margin-bottom: 3px;
}
@media (max-width: 800px) {
  ul {
    columns: 1;
  }
}
</style>
