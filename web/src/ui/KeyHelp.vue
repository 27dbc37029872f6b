<script setup lang="ts">
/** What every key does. */
import { BModal } from 'bootstrap-vue-next'

defineProps<{
  /** Pairs of key and meaning. */
  keys: readonly (readonly [string, string])[]
}>()
const open = defineModel<boolean>({ required: true })
</script>

<template>
  <BModal v-model="open" title="Keys" ok-only ok-title="Close" ok-variant="quiet">
    <dl>
      <template v-for="[key, meaning] in keys" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ meaning }}</dd>
      </template>
      <dt><kbd>?</kbd></dt>
      <dd>show or hide this list</dd>
    </dl>
  </BModal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 16px;
  margin: 0;
}
dd {
  margin: 0;
}
</style>
