<script setup lang="ts">
/** Ends of an attempt that are not its ordinary end, with the protocol's own reasons to fail at one touch. */
import { kindOf, type StandardEvent, type StopReason } from '@able-gauge/core'
import { BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useSession } from '../../session/sessionStore.ts'

const props = defineProps<{
  event: StandardEvent
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ end: [reason: StopReason, note: string] }>()

const session = useSession()
const note = ref('')
watch(open, () => (note.value = ''))

const ENDS: readonly { readonly reason: StopReason; readonly label: string; readonly officer?: true }[] = [
  { reason: 'withdrawn', label: 'Withdrawn on medical grounds' },
  { reason: 'didNotFinish', label: 'Gave up, did not finish' },
  { reason: 'failed', label: 'Failed at once' },
  { reason: 'breach', label: 'Broke a safety rule' },
  { reason: 'disqualified', label: 'Disqualified', officer: true },
]
const ends = computed(() => ENDS.filter(({ officer }) => !officer || session.can('capture.asOfficer')))
const failures = computed(() => {
  const { protocol } = props.event
  return kindOf(protocol).failsWhen?.(protocol) ?? []
})

const end = (reason: StopReason, why = note.value): void => {
  emit('end', reason, why)
  open.value = false
}
</script>

<template>
  <BModal v-model="open" title="How it ends" no-footer>
    <label class="form-label" for="end-note">A note, if needed</label>
    <input id="end-note" v-model="note" class="form-control" maxlength="300" autocomplete="off" />
    <div class="ends">
      <button v-for="why in failures" :key="why" class="btn btn-quiet failure" @click="end('failed', why)">
        Failed: {{ why.toLowerCase() }}
      </button>
      <button v-for="{ reason, label } in ends" :key="reason" class="btn btn-quiet" @click="end(reason)">
        {{ label }}
      </button>
    </div>
  </BModal>
</template>

<style scoped>
.ends {
  display: grid;
  gap: 8px;
  margin-top: 14px;
}
.ends .btn {
  min-height: 52px;
  white-space: normal;
}
.failure {
  color: var(--short);
  border-color: var(--short);
}
</style>
