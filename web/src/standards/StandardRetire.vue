<script setup lang="ts">
/** Ends a published version on a day, with a reason. */
import { BFormInput, BModal } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { inWords } from '../api.ts'
import { today } from '../ui/localTime.ts'
import { retireVersion } from './standardCalls.ts'
import DateField from '../ui/DateField.vue'

const props = defineProps<{
  standardId: string
  version: number
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ retired: [] }>()

const lastDay = ref('')
const reason = ref('')
const problem = ref('')
watch(open, () => {
  lastDay.value = today()
  problem.value = ''
})

const retire = async (): Promise<void> => {
  try {
    await retireVersion(props.standardId, props.version, lastDay.value, reason.value.trim())
    open.value = false
    emit('retired')
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <BModal
    v-model="open"
    title="Retire this version"
    ok-title="Retire it"
    cancel-title="Back"
    cancel-variant="quiet"
    :ok-disabled="lastDay === '' || reason.trim() === ''"
    @ok.prevent="retire"
  >
    <p>Days judged by it keep their verdicts. After its last day no new day may use it. This cannot be taken back.</p>
    <label for="last-day" class="form-label">Last day in force</label>
    <DateField id="last-day" v-model="lastDay" />
    <label for="retire-reason" class="form-label mt-3">Reason, for the record</label>
    <BFormInput id="retire-reason" v-model="reason" maxlength="300" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </BModal>
</template>
