<script setup lang="ts">
/** An address to be scanned, with the same in words below it for whoever cannot. */
import QRCode from 'qrcode'
import { ref, watchEffect } from 'vue'

const props = defineProps<{
  text: string
  /** What scanning it does, for those who hear the page. */
  label: string
}>()

const image = ref('')
watchEffect(async () => {
  const { text } = props
  const svg = await QRCode.toString(text, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' })
  if (text === props.text) image.value = `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`
})
</script>

<template>
  <img v-if="image" class="qr" :src="image" :alt="label" />
</template>

<style scoped>
/* dark on light whatever the theme, or a camera does not read it */
.qr {
  width: 100%;
  max-width: 260px;
  aspect-ratio: 1;
  background: #fff;
  border-radius: 6px;
}
</style>
