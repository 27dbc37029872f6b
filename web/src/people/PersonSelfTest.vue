<script setup lang="ts">
/** A self-test put on record by the office: under which standard, then as the person would. */
import type { PersonRecord, SelfTestBody, Standard, VersionSummary } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { onMounted, ref, shallowRef, watch } from 'vue'
import { inWords, tell } from '../api.ts'
import { readStandard } from '../standards/readStandard.ts'
import { listVersions, readVersion } from '../standards/standardCalls.ts'
import SelfTestFields from './SelfTestFields.vue'

const props = defineProps<{
  record: PersonRecord
}>()
const emit = defineEmits<{ logged: [] }>()

const versions = ref<readonly VersionSummary[]>([])
const chosen = ref('')
const standard = shallowRef<Standard | null>(null)
const problem = ref('')

onMounted(async () => {
  try {
    versions.value = (await listVersions()).filter(({ state }) => state !== 'draft')
    const last = props.record.tests.at(-1)
    const first = versions.value[0]
    chosen.value = last ? `${last.standardId} ${last.standardVersion}` : first ? `${first.id} ${first.version}` : ''
  } catch (error) {
    problem.value = inWords(error)
  }
})
watch(chosen, async (now) => {
  const [id = '', version = ''] = now.split(' ')
  if (id !== '') standard.value = (await readStandard(await readVersion(id, Number(version)))).standard
})
const keep = (test: SelfTestBody): Promise<void> => tell('POST', `/people/${props.record.person.id}/self-tests`, test)
</script>

<template>
  <SelfTestFields :standard="standard" :keep="keep" @logged="emit('logged')">
    <label
      >Standard
      <BFormSelect v-model="chosen">
        <option v-for="one in versions" :key="`${one.id} ${one.version}`" :value="`${one.id} ${one.version}`">
          {{ one.name }}, version {{ one.version }}
        </option>
      </BFormSelect></label
    >
  </SelfTestFields>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>
