<script setup lang="ts">
/** A test of one's own put on record from the own page. */
import { MadeAnswer, type OwnPageKey, type SelfTestBody, type Standard } from '@able-gauge/core'
import { call } from '../../api.ts'
import SelfTestFields from '../SelfTestFields.vue'

const props = defineProps<{
  standard: Standard
  opener: OwnPageKey
}>()
const emit = defineEmits<{ logged: [] }>()
const keep = async (test: SelfTestBody): Promise<void> => {
  await call('POST', '/session/own/self-tests', MadeAnswer, { key: props.opener, test })
}
</script>

<template>
  <SelfTestFields :standard="standard" :keep="keep" @logged="emit('logged')" />
</template>
