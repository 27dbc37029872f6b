<script setup lang="ts">
/** A link that lets somebody choose a password, to be scanned or sent; seen once, by whoever made it. */
import type { AccountLinkAnswer } from '@able-gauge/core'
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import QrCode from '../../ui/QrCode.vue'
import { dateAndTime } from '../../ui/localTime.ts'
import { useReach } from '../../ui/useReach.ts'

const props = defineProps<{ link: AccountLinkAnswer | null; name: string }>()
const emit = defineEmits<{ close: [] }>()

const { plain, secure, isAlone } = useReach()
const isSecure = location.protocol === 'https:'
const address = computed(() => (isSecure ? secure : plain)(`/welcome#${props.link?.code ?? ''}`))
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const copied = ref('')
watch(
  () => props.link,
  () => (copied.value = ''),
)
const copy = async (): Promise<void> => {
  try {
    await navigator.clipboard.writeText(address.value)
    copied.value = 'Copied.'
  } catch {
    // a page over plain HTTP may not write there
    copied.value = 'This browser does not let the page copy. Mark the address and copy it.'
  }
}
</script>

<template>
  <BModal :model-value="link !== null" :title="`A link for ${name}`" no-footer @hidden="emit('close')">
    <div v-if="link" class="link">
      <QrCode :text="address" :label="`Lets ${name} choose a password`" />
      <div>
        <p>
          {{ name }} scans it, or opens the address, and chooses a password. It works once, until
          {{ dateAndTime(link.endsMs, zone) }}, and is shown now and never again.
        </p>
        <p class="address figures">{{ address }}</p>
        <p v-if="isAlone" class="quiet">No other device reaches this machine: start it with --field.</p>
        <BButton variant="quiet" @click="copy">Copy the address</BButton>
        <p v-if="copied" role="status" class="quiet">{{ copied }}</p>
      </div>
    </div>
  </BModal>
</template>

<style scoped>
.link {
  display: grid;
  grid-template-columns: minmax(140px, 200px) 1fr;
  gap: 18px;
  align-items: start;
}
.address {
  overflow-wrap: anywhere;
  user-select: all;
  font-size: 0.875rem;
}
@media (max-width: 560px) {
  .link {
    grid-template-columns: 1fr;
    justify-items: center;
  }
}
</style>
