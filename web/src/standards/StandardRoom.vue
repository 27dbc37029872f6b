<script setup lang="ts">
/** A version read like the printed document, and what can be done with it. */
import { printDate } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { inWords } from '../api.ts'
import { usePdf } from '../handout/usePdf.ts'
import { useSession } from '../session/sessionStore.ts'
import StandardDocument from './StandardDocument.vue'
import { standardPdf } from './standardPdf.ts'
import StandardRetire from './StandardRetire.vue'
import { addDraft, listVersions } from './standardCalls.ts'
import { dateIn } from '../ui/localTime.ts'
import { saveFile } from '../ui/saveFile.ts'
import { useVersion } from './useVersion.ts'

const { detail, standard, remarks, id, version, reread } = useVersion()
const session = useSession()
const router = useRouter()
const retiring = ref(false)
const problem = ref('')
const mayWrite = computed(() => session.can('standards.write'))
const exportFile = (): void =>
  saveFile(`${id()}-v${version()}.json`, 'application/json', `${JSON.stringify(detail.value?.content, null, 2)}\n`)

const pdf = usePdf()
const savePdf = async (): Promise<void> => {
  if (!standard.value) return
  await pdf.savePdf(
    `${standard.value.name}, version ${version()}.pdf`,
    standardPdf(standard.value, await pdf.markData()),
  )
}
/** Where everybody reads it, if the house shows its standards; empty for none. */
const publicLink = computed(() =>
  session.standardsPublic && detail.value?.state !== 'draft'
    ? `${session.publicAddress ?? window.location.origin}/read/${encodeURIComponent(id())}/${version()}`
    : '',
)

/** A new version begins as a copy; its number is the next that is free. */
const nextVersion = async (): Promise<void> => {
  try {
    const own = (await listVersions()).filter((one) => one.id === id())
    const next = Math.max(...own.map((one) => one.version)) + 1
    const content = { ...Object(detail.value?.content), version: next }
    delete content.inForceTo
    await addDraft(id(), next, content)
    await router.push({ name: 'edit', params: { standardId: id(), version: next } })
  } catch (error) {
    problem.value = inWords(error)
  }
}

const when = (ms: number): string => printDate(dateIn(ms, Intl.DateTimeFormat().resolvedOptions().timeZone))
</script>

<template>
  <main v-if="detail" class="room">
    <p v-if="problem || pdf.problem.value" class="problem" role="alert">{{ problem || pdf.problem.value }}</p>
    <div class="columns">
      <StandardDocument v-if="standard" :standard="standard" />
      <section v-else class="sheet unsound">
        <h2>This draft cannot be read as a standard yet</h2>
        <ul>
          <li v-for="remark in remarks" :key="remark.place + remark.what">{{ remark.place }}: {{ remark.what }}</li>
        </ul>
      </section>
      <aside class="no-print">
        <section class="sheet">
          <dl>
            <template v-if="standard">
              <dt>In force</dt>
              <dd>
                from {{ printDate(standard.inForceFrom)
                }}<template v-if="detail.retired || standard.inForceTo">
                  to {{ printDate(detail.retired?.lastDay ?? standard.inForceTo ?? '') }}</template
                >
              </dd>
            </template>
            <template v-if="detail.publishedAtMs">
              <dt>Published</dt>
              <dd>{{ when(detail.publishedAtMs) }}{{ detail.publishedBy ? `, ${detail.publishedBy}` : '' }}</dd>
            </template>
            <template v-if="detail.editedBy">
              <dt>Last edited by</dt>
              <dd>{{ detail.editedBy }}</dd>
            </template>
            <template v-if="detail.retired">
              <dt>Retired by {{ detail.retired.by }}</dt>
              <dd>{{ detail.retired.reason }}</dd>
            </template>
            <template v-if="detail.contentHash">
              <dt>Content hash</dt>
              <dd class="figures hash">{{ detail.contentHash }}</dd>
            </template>
          </dl>
          <div class="actions">
            <RouterLink class="btn btn-primary" :to="{ name: 'try' }">Try it</RouterLink>
            <RouterLink
              class="btn btn-quiet"
              :to="{ name: 'compare', params: { standardId: id() }, query: { to: version() } }"
              >Compare versions</RouterLink
            >
            <BButton v-if="standard" variant="quiet" :disabled="pdf.progress.value !== null" @click="savePdf">
              Save as PDF
            </BButton>
            <BButton variant="quiet" @click="exportFile">Export the file</BButton>
            <BButton v-if="mayWrite && detail.state !== 'draft'" variant="quiet" @click="nextVersion">
              Write a new version
            </BButton>
            <BButton v-if="mayWrite && detail.state === 'published'" variant="quiet" @click="retiring = true">
              Retire this version
            </BButton>
          </div>
        </section>
        <section v-if="publicLink" class="sheet mt-3">
          <h2>For everybody</h2>
          <p class="quiet">Whoever has this link reads it without signing in.</p>
          <a :href="publicLink" class="link">{{ publicLink }}</a>
        </section>
        <p class="quiet note">
          <template v-if="detail.state === 'draft'">Nobody is judged by a draft.</template>
          <template v-else>A published version never changes. Results are judged by it and keep its hash.</template>
        </p>
      </aside>
    </div>
    <StandardRetire v-model="retiring" :standard-id="id()" :version="version()" @retired="reread" />
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 16px;
  align-items: start;
}
aside {
  position: sticky;
  top: 12px;
}
section {
  padding: 18px 20px;
}
dt {
  font-weight: 400;
  color: var(--ink-2);
  font-size: 0.875rem;
}
dd {
  margin: 0 0 8px;
}
.link {
  overflow-wrap: anywhere;
}
.hash {
  overflow-wrap: anywhere;
  font-size: 0.8125rem;
}
.actions {
  display: grid;
  gap: 8px;
}
.note {
  margin: 10px 4px;
  font-size: 0.875rem;
}
.unsound ul {
  margin: 8px 0 0;
  padding-left: 18px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    position: static;
    order: -1;
  }
  .actions {
    grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  }
}
</style>
