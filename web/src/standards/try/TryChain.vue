<script setup lang="ts">
/** Sets and pauses that meet a chain's limit, at a pace of one's own. */
import { parseField, planChain, printTime, type WorkChain } from '@able-gauge/core'
import { BFormInput } from 'bootstrap-vue-next'
import { computed, reactive } from 'vue'

const props = defineProps<{
  protocol: WorkChain
  limitMs: number
}>()

const typed = reactive({ per100: '0:30', perRepetition: '2', set: '10' })
const plan = computed(() => {
  const per100 = parseField(typed.per100, { unit: 'ms' })
  const seconds = /^\d+(\.\d)?$/.test(typed.perRepetition) ? Math.round(Number(typed.perRepetition) * 10) * 100 : null
  const set = /^[1-9]\d{0,3}$/.test(typed.set) ? Number(typed.set) : null
  if (!per100.ok || seconds === null || set === null) return null
  return planChain(props.protocol, props.limitMs, {
    msPer100M: per100.value,
    msPerRepetition: seconds,
    mostInASet: set,
  })
})
</script>

<template>
  <div class="chain">
    <h3>Sets and pauses that meet it</h3>
    <div class="pace">
      <label>100 m in <BFormInput v-model="typed.per100" class="figures" /></label>
      <label>One repetition in s <BFormInput v-model="typed.perRepetition" class="figures" /></label>
      <label>Most in a set <BFormInput v-model="typed.set" class="figures" inputmode="numeric" /></label>
    </div>
    <p v-if="!plan" class="quiet">Write a time such as 0:30, seconds such as 2 or 1.5, and a whole number.</p>
    <p v-else-if="!plan.ok">At this pace the work alone takes {{ printTime(plan.overMs) }} too long.</p>
    <ol v-else>
      <li v-for="segment in plan.segments" :key="segment.segmentId">
        <strong>{{ segment.name }}</strong>
        <template v-if="segment.sets.length">
          in sets of {{ segment.sets.join(', ')
          }}{{ segment.sets.length > 1 ? `, ${printTime(segment.pauseMs)} between them` : '' }}</template
        >, done at <span class="figures">{{ printTime(segment.doneAtMs) }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
h3 {
  font-size: 0.875rem;
  margin: 8px 0 4px;
}
.pace {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.pace input {
  width: 110px;
}
ol {
  margin: 8px 0 0;
  padding-left: 20px;
}
</style>
