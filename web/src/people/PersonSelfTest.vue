<script setup lang="ts">
/** A self-test put on record by the office: under which standard, then as the person would. */
import type {
  PersonRecord,
  PersonSelfTest as TestOfOwn,
  SelfTestBody,
  Standard,
  VersionSummary,
} from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { onMounted, ref, shallowRef, watch } from 'vue'
import { inWords, receiveFile, tell } from '../api.ts'
import { readStandard } from '../standards/readStandard.ts'
import { listVersions, readVersion } from '../standards/standardCalls.ts'
import SelfTestFields from './SelfTestFields.vue'
import SelfTestList from './SelfTestList.vue'

const props = defineProps<{
  record: PersonRecord
}>()
const emit = defineEmits<{ logged: [] }>()

const correcting = shallowRef<TestOfOwn | null>(null)
const base = (): string => `/people/${props.record.person.id}/self-tests`
const picture = (id: string): Promise<Uint8Array<ArrayBuffer>> => receiveFile('GET', `${base()}/${id}/picture`)
/** Put right under the standard it was logged by. */
const correct = (test: TestOfOwn): void => {
  chosen.value = `${test.standardId} ${test.standardVersion}`
  correcting.value = test
}
const logged = (): void => {
  correcting.value = null
  emit('logged')
}

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
const keep = (test: SelfTestBody): Promise<void> => tell('POST', base(), test)
</script>

<template>
  <SelfTestList :tests="record.selfTests" :picture="picture" :may-correct="!record.person.erased" @correct="correct" />
  <SelfTestFields
    v-if="!record.person.erased"
    :standard="standard"
    :keep="keep"
    :correcting="correcting"
    @logged="logged"
    @leave="correcting = null"
  >
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
