<script setup lang="ts">
/** The log of one's own tests on the own page: kept, put right, with pictures. */
import { MadeAnswer, type OwnPageKey, type PersonSelfTest, type SelfTestBody, type Standard } from '@able-gauge/core'
import { shallowRef } from 'vue'
import { call, receiveFile } from '../../api.ts'
import SelfTestFields from '../SelfTestFields.vue'
import SelfTestList from '../SelfTestList.vue'

const props = defineProps<{
  standard: Standard
  tests: readonly PersonSelfTest[]
  opener: OwnPageKey
}>()
const emit = defineEmits<{ logged: [] }>()

const correcting = shallowRef<PersonSelfTest | null>(null)
const keep = async (test: SelfTestBody): Promise<void> => {
  await call('POST', '/session/own/self-tests', MadeAnswer, { key: props.opener, test })
  correcting.value = null
}
const picture = (testId: string): Promise<Uint8Array<ArrayBuffer>> =>
  receiveFile('POST', '/session/own/picture', { key: props.opener, testId })
</script>

<template>
  <SelfTestList :tests="tests" :picture="picture" may-correct @correct="correcting = $event" />
  <SelfTestFields
    :standard="standard"
    :keep="keep"
    :correcting="correcting"
    @logged="emit('logged')"
    @leave="correcting = null"
  />
</template>
