<script setup lang="ts">
/** Ends of an attempt that are not its ordinary end, with the protocol's own reasons to fail at one touch. */
import { endingsOf, STOPPED_AS, type StandardEvent, type StopReason } from '@able-gauge/core'
import { BButton, BFormInput, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useSession } from '../../session/sessionStore.ts'

const props = defineProps<{
  event: StandardEvent
  /** Whether it is over: then an officer alone may overrule what was done. */
  over: boolean
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ end: [reason: StopReason, note: string] }>()

const session = useSession()
const note = ref('')
watch(open, () => (note.value = ''))

const ENDS: readonly {
  readonly reason: StopReason
  readonly label: string
  readonly officer?: true
  readonly after?: true
}[] = [
  { reason: 'withdrawn', label: 'Withdrawn on medical grounds', after: true },
  { reason: 'didNotFinish', label: 'Gave up, did not finish' },
  { reason: 'failed', label: 'Failed at once' },
  { reason: 'breach', label: 'Broke a safety rule' },
  { reason: 'disqualified', label: 'Disqualified', officer: true, after: true },
]
const ends = computed(() =>
  ENDS.filter(({ officer, after }) => (!officer || session.can('capture.asOfficer')) && (!props.over || after)),
)
/** The event's own reasons, each with what becomes of what was done. */
const endings = computed(() => (props.over ? [] : endingsOf(props.event.protocol)))
const WORDS = { stands: 'Ends it', fails: 'Failed', breach: 'Breach' } as const

const end = (reason: StopReason, why = note.value): void => {
  emit('end', reason, why)
  open.value = false
}
</script>

<template>
  <BModal v-model="open" :title="over ? 'Overrule what was done' : 'How it ends'" no-footer>
    <label class="form-label" for="end-note">A note, if needed</label>
    <BFormInput id="end-note" v-model="note" maxlength="300" autocomplete="off" />
    <div class="ends">
      <BButton
        v-for="{ label, then } in endings"
        :key="label"
        variant="quiet"
        class="failure"
        @click="end(STOPPED_AS[then], label)"
      >
        {{ WORDS[then] }}: {{ label.toLowerCase() }}
      </BButton>
      <BButton v-for="{ reason, label } in ends" :key="reason" variant="quiet" @click="end(reason)">
        {{ label }}
      </BButton>
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
