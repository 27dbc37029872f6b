<script setup lang="ts">
/** The day as a measuring tape: five stages, graduations filled as far as each is done, the current one in vest yellow. */
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Day } from './day.ts'
import { useCalmly } from '../ui/useCalmly.ts'
import { useDay } from './dayStore.ts'
import { stageProgress, STAGES, type StageName } from './stageProgress.ts'

const props = defineProps<{
  day: Day
}>()

const route = useRoute()
const store = useDay()
const progress = useCalmly(() => stageProgress(props.day, store.verdicts))
const HERE: Readonly<Record<string, StageName>> = {
  event: 'run',
  cards: 'run',
  sheet: 'verdicts',
  paper: 'plan',
  briefing: 'muster',
}
const current = computed(() => HERE[String(route.name)] ?? String(route.name))
</script>

<template>
  <nav class="tape" aria-label="Stages of the day">
    <RouterLink
      v-for="{ name, label } in STAGES"
      :key="name"
      class="stage"
      :class="{ current: current === name }"
      :aria-current="current === name ? 'step' : undefined"
      :to="{ name, params: { dayId: day.occasion.id } }"
    >
      <span class="label">{{ label }}</span>
      <span class="graduations" aria-hidden="true"
        ><span class="done" :style="{ width: `${progress[name] * 100}%` }"
      /></span>
    </RouterLink>
  </nav>
</template>

<style scoped>
.tape {
  display: flex;
  min-width: 0;
}
.stage {
  flex: 1;
  position: relative;
  color: var(--bar-ink-2);
  text-decoration: none;
  border-left: 2px solid color-mix(in srgb, var(--bar-ink-2) 60%, transparent);
  margin-top: 14px;
  padding: 2px 0 0 9px;
  min-width: 0;
}
.label {
  font-weight: 700;
  font-size: 0.875rem;
}
.graduations {
  position: absolute;
  inset: auto 0 0;
  height: 11px;
}
.graduations::after {
  content: '';
  position: absolute;
  inset: 0;
  background: repeating-linear-gradient(
    to right,
    transparent 0 9%,
    color-mix(in srgb, var(--bar-ink-2) 75%, transparent) 9% calc(9% + 1px),
    transparent calc(9% + 1px) 10%
  );
}
.done {
  position: absolute;
  inset: 0 auto 0 0;
  background: color-mix(in srgb, var(--bar-ink-2) 60%, var(--bar));
}
.current {
  background: var(--vest);
  color: var(--vest-ink);
  border-color: var(--vest);
}
.current .done {
  background: color-mix(in srgb, var(--vest-ink) 45%, var(--vest));
}
.current .graduations::after {
  background: repeating-linear-gradient(
    to right,
    transparent 0 9%,
    var(--vest-ink) 9% calc(9% + 1px),
    transparent calc(9% + 1px) 10%
  );
}
.stage:focus-visible {
  outline: 3px solid #fff;
  outline-offset: -4px;
  box-shadow: none;
}
@media (max-width: 900px) {
  .stage {
    margin-top: 4px;
    min-height: 48px;
    padding: 6px 0 0 6px;
  }
  .stage:first-child {
    border-color: transparent;
  }
  .label {
    font-size: 0.8125rem;
  }
}
</style>
