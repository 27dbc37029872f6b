<script setup lang="ts">
/** Records that a runner ends without a finish, and why. */
import type { StopReason } from '@able-gauge/core'
import { BModal } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { shortName, type Entry } from '../../../day/day.ts'

const props = defineProps<{
  /** Runners on the course. */
  runners: readonly Entry[]
  mayDisqualify: boolean
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ stop: [entryId: string, reason: StopReason, note: string] }>()

const entryId = ref('')
const reason = ref<StopReason>('safety')
const note = ref('')

const REASONS: readonly { readonly id: StopReason; readonly label: string; readonly officer?: true }[] = [
  { id: 'safety', label: 'Stopped for safety' },
  { id: 'withdrawn', label: 'Withdrawn on medical grounds' },
  { id: 'didNotFinish', label: 'Gave up, did not finish' },
  { id: 'disqualified', label: 'Disqualified', officer: true },
]

watch(open, () => {
  entryId.value = props.runners[0]?.id ?? ''
  reason.value = 'safety'
  note.value = ''
})

const record = (): void => {
  if (entryId.value === '') return
  emit('stop', entryId.value, reason.value, note.value)
  open.value = false
}
</script>

<template>
  <BModal
    v-model="open"
    title="Somebody stops"
    ok-title="Record it"
    cancel-title="Back"
    cancel-variant="quiet"
    :ok-disabled="entryId === ''"
    @ok.prevent="record"
  >
    <label for="stop-bib" class="form-label">Runner</label>
    <select id="stop-bib" v-model="entryId" class="form-select">
      <option v-for="runner in runners" :key="runner.id" :value="runner.id">
        {{ runner.bib }} {{ shortName(runner) }}
      </option>
    </select>
    <fieldset class="mt-3">
      <legend class="form-label fs-6">What happened</legend>
      <template v-for="{ id, label, officer } in REASONS" :key="id">
        <label v-if="!officer || mayDisqualify" class="reason"
          ><input v-model="reason" type="radio" name="reason" :value="id" /> {{ label }}</label
        >
      </template>
    </fieldset>
    <label for="stop-note" class="form-label mt-3">In words, for the record</label>
    <input id="stop-note" v-model="note" class="form-control" maxlength="300" />
  </BModal>
</template>

<style scoped>
.reason {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
}
.reason input {
  width: 20px;
  height: 20px;
}
</style>
