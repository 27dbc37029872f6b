<script setup lang="ts">
/** The holds that stand on somebody; the officer in charge lifts one, with a reason. */
import type { openHolds } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { reactive } from 'vue'
import type { Day, Entry } from '../day/day.ts'
import { useRecords } from '../day/useRecords.ts'
import { useSession } from '../session/sessionStore.ts'
import { dateAndTime } from '../ui/localTime.ts'

const props = defineProps<{
  day: Day
  entry: Entry
  holds: ReturnType<typeof openHolds>
}>()

const session = useSession()
const { write, writing, problem } = useRecords(() => props.day)
/** Reason by hold. */
const reasons = reactive<Record<string, string>>({})

const lift = async (holdId: string): Promise<void> => {
  const reason = reasons[holdId]?.trim() ?? ''
  if (reason !== '') await write({ kind: 'holdLifted', holdId, reason })
}
</script>

<template>
  <div v-for="hold in holds" :key="hold.id" class="hold">
    <p>
      <strong>Hold: {{ hold.content.reason }}.</strong>
      <span class="quiet"> {{ hold.actor }}, {{ dateAndTime(hold.atMs, day.occasion.zone) }}</span>
    </p>
    <div v-if="session.can('log.holdLifted')" class="lift">
      <BFormInput
        :model-value="reasons[hold.id] ?? ''"
        maxlength="300"
        placeholder="Reason for lifting it"
        :aria-label="`Reason for lifting the hold: ${hold.content.reason}`"
        @update:model-value="(text) => (reasons[hold.id] = String(text ?? ''))"
      />
      <BButton type="button" variant="quiet" :disabled="writing || !reasons[hold.id]?.trim()" @click="lift(hold.id)">
        Lift the hold
      </BButton>
    </div>
    <p v-else class="quiet">The officer in charge can lift it.</p>
  </div>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.hold {
  padding: 10px 12px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.hold p {
  margin: 0;
}
.lift {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}
</style>
