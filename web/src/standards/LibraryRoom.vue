<script setup lang="ts">
/** The library: every standard with its versions, what each is, and when it is in force. */
import { forceOn, printDate, standardTemplate, withoutFigures, type VersionSummary } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { inWords } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import { today } from '../ui/localTime.ts'
import { addDraft, listVersions, readVersion } from './standardCalls.ts'
import { shortNameFrom } from './edit/shortNames.ts'
import StateChip from './StateChip.vue'

const session = useSession()
const router = useRouter()
const versions = ref<readonly VersionSummary[] | null>(null)
const problem = ref('')
const naming = ref(false)
const name = ref('')
const from = ref('')
/** Published versions a new standard can begin as a copy of. */
const copies = computed(() =>
  (versions.value ?? [])
    .filter(({ state }) => state !== 'draft')
    .map(({ id, version, name: called }) => ({
      value: `${id} ${version}`,
      text: `A copy of ${called}, version ${version}`,
      id,
      version,
    })),
)
const mayWrite = computed(() => session.can('standards.write'))
const date = today()

const standards = computed(() => {
  const byId = new Map<string, VersionSummary[]>()
  for (const version of versions.value ?? []) byId.set(version.id, [...(byId.get(version.id) ?? []), version])
  return [...byId.values()].flatMap((list) => {
    const shown = list.find((version) => forceOn(version, date) === 'now') ?? list[0]
    return shown ? [{ id: shown.id, name: shown.name, organisation: shown.organisation, versions: list }] : []
  })
})

onMounted(async () => {
  try {
    versions.value = await listVersions()
  } catch (error) {
    problem.value = inWords(error)
  }
})

const force = ({ inForceFrom, inForceTo }: VersionSummary): string => {
  if (inForceFrom === null) return 'no date yet'
  return inForceTo === null ? `from ${dateWords(inForceFrom)}` : `${dateWords(inForceFrom)} to ${dateWords(inForceTo)}`
}
/** A draft may hold anything where a date belongs. */
const dateWords = (text: string): string => (/^\d{4}-\d{2}-\d{2}$/.test(text) ? printDate(text) : text)

const open = (id: string, version: number): Promise<unknown> =>
  router.push({ name: 'edit', params: { standardId: id, version } })

const begin = async (id: string, version: number, content: unknown): Promise<void> => {
  problem.value = ''
  try {
    await addDraft(id, version, content)
    await open(id, version)
  } catch (error) {
    problem.value = inWords(error)
  }
}

const makeNew = async (): Promise<void> => {
  const id = shortNameFrom(name.value)
  if (id === '') return
  naming.value = false
  const own = {
    id,
    name: name.value.trim(),
    version: 1,
    inForceFrom: date,
    organisation: session.organisation || '',
    source: '',
  }
  problem.value = ''
  try {
    const copied = copies.value.find(({ value }) => value === from.value)
    const content: object = copied
      ? Object((await readVersion(copied.id, copied.version)).content)
      : withoutFigures(standardTemplate(id, own.name, 1, date))
    // how long the copied version was in force says nothing of the new one
    const { inForceTo: _, ...rest } = content as { readonly inForceTo?: unknown }
    await begin(id, 1, { ...rest, ...own })
  } catch (error) {
    problem.value = inWords(error)
  }
}

/** A file becomes a draft under its own id and version; the check then says what is wrong with it. */
const importFile = async (event: Event): Promise<void> => {
  const input = event.target as HTMLInputElement // the handler sits on a file field
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  let content: unknown
  try {
    content = JSON.parse(await file.text())
  } catch (error) {
    problem.value = `${file.name} is not JSON: ${error instanceof Error ? error.message : String(error)}`
    return
  }
  const { id, version } = Object(content) as { id?: unknown; version?: unknown }
  if (typeof id !== 'string' || typeof version !== 'number') {
    problem.value = `${file.name} names no standard: expected "id" and "version" at the top of the document.`
    return
  }
  await begin(id, version, content)
}
</script>

<template>
  <HouseBand />
  <main class="room">
    <div class="head">
      <h1>Standards</h1>
      <RouterLink v-if="standards.length > 0" class="btn btn-quiet" :to="{ name: 'chooseTests' }"
        >Which test to choose</RouterLink
      >
      <template v-if="mayWrite">
        <label class="btn btn-quiet file"
          >Import a file<input type="file" accept=".json,application/json" class="visually-hidden" @change="importFile"
        /></label>
        <BButton variant="primary" @click="naming = true">New standard</BButton>
      </template>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="versions?.length === 0" class="quiet">
      No standard yet. Write a new one, or import a file that was exported elsewhere.
    </p>
    <section v-for="standard in standards" :key="standard.id" class="sheet standard" :aria-labelledby="standard.id">
      <header>
        <div>
          <h2 :id="standard.id">{{ standard.name }}</h2>
          <span class="quiet">{{ standard.organisation }}</span>
        </div>
        <RouterLink
          v-if="standard.versions.length > 1"
          class="btn btn-quiet"
          :to="{ name: 'compare', params: { standardId: standard.id } }"
          >Compare versions</RouterLink
        >
      </header>
      <ul>
        <li v-for="version in standard.versions" :key="version.version">
          <RouterLink
            class="version"
            :to="{
              name: version.state === 'draft' && mayWrite ? 'edit' : 'standard',
              params: { standardId: version.id, version: version.version },
            }"
          >
            <strong class="figures">Version {{ version.version }}</strong>
            <StateChip :state="version.state" :force="forceOn(version, date)" />
            <span>{{ force(version) }}</span>
            <span class="quiet">{{ version.events }} {{ version.events === 1 ? 'event' : 'events' }}</span>
            <span class="quiet">{{ version.days }} {{ version.days === 1 ? 'day' : 'days' }} judged by it</span>
          </RouterLink>
        </li>
      </ul>
    </section>
    <BModal
      v-model="naming"
      title="New standard"
      ok-title="Begin the draft"
      cancel-title="Back"
      cancel-variant="quiet"
      :ok-disabled="shortNameFrom(name) === ''"
      @ok.prevent="makeNew"
    >
      <label for="new-name" class="form-label">What it is called</label>
      <BFormInput id="new-name" v-model="name" maxlength="120" @keydown.enter.prevent="makeNew" />
      <label for="new-from" class="form-label mt-3">It begins as</label>
      <BFormSelect
        id="new-from"
        v-model="from"
        :options="[{ value: '', text: 'An empty one with one event' }, ...copies]"
      />
      <p class="quiet mt-2">
        A draft. Nobody is judged by it until it is published. Worked examples of single events are on the shelf of the
        draft.
      </p>
    </BModal>
  </main>
</template>

<style scoped>
.room {
  max-width: 1100px;
  padding-top: 24px;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 14px;
}
h1 {
  margin-right: auto;
}
.file {
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 1px;
}
.standard {
  margin-bottom: 16px;
  overflow: hidden;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 16px 20px 12px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.version {
  display: grid;
  grid-template-columns: 110px 100px 1fr 90px 150px;
  gap: 14px;
  align-items: center;
  min-height: 48px;
  padding: 6px 20px;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.version:hover {
  background: var(--sheet-2);
}
.version:focus-visible {
  outline-offset: -3px;
  box-shadow: none;
}
.version span:last-child {
  text-align: right;
}
@media (max-width: 700px) {
  .head {
    flex-wrap: wrap;
  }
  h1 {
    width: 100%;
  }
  .version {
    grid-template-columns: auto 1fr;
  }
  .version span:nth-child(n + 3) {
    grid-column: 1 / -1;
    text-align: left;
  }
  .version span:nth-child(n + 4) {
    display: none;
  }
}
</style>
