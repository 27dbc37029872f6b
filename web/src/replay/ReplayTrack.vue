<script setup lang="ts">
/** The ground from above: everybody on a lap where an even pace between two of their stamps puts them. */
import type { LapsAt } from '@able-gauge/core'
import { computed } from 'vue'
import { shortName, type Entry } from '../day/day.ts'

const props = defineProps<{
  entries: readonly Entry[]
  byEntry: ReadonlyMap<string, LapsAt>
  laps: number
  nowMs: number
  /** Who is looked at; null for everybody alike. */
  chosen: string | null
}>()

const [WIDTH, HEIGHT, R] = [640, 220, 84] as const
const [CX1, CX2, CY] = [130, WIDTH - 130, HEIGHT / 2] as const
const STRAIGHT = CX2 - CX1
const ROUND = Math.PI * R
const WHOLE = 2 * (STRAIGHT + ROUND)

/** Along the inner line, against the clock from the finish at the end of the home straight. */
const placeOn = (share: number): { x: number; y: number } => {
  let way = (((share % 1) + 1) % 1) * WHOLE
  if (way < ROUND) {
    const angle = Math.PI / 2 - way / R
    return { x: CX2 + R * Math.cos(angle), y: CY + R * Math.sin(angle) }
  }
  way -= ROUND
  if (way < STRAIGHT) return { x: CX2 - way, y: CY - R }
  way -= STRAIGHT
  if (way < ROUND) {
    const angle = -Math.PI / 2 - way / R
    return { x: CX1 + R * Math.cos(angle), y: CY + R * Math.sin(angle) }
  }
  return { x: CX1 + (way - ROUND), y: CY + R }
}
const runners = computed(() =>
  props.entries.flatMap((entry) => {
    const at = props.byEntry.get(entry.id)?.(props.nowMs) ?? null
    if (at === null) return []
    return [{ entry, at, isHome: at >= props.laps, ...placeOn(at) }]
  }),
)
/** In front first. */
const order = computed(() => [...runners.value].sort((a, b) => b.at - a.at))
</script>

<template>
  <div class="track">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`${runners.length} on the ground`">
      <rect :x="CX1 - R" :y="CY - R" :width="STRAIGHT + 2 * R" :height="2 * R" :rx="R" class="ground" />
      <line :x1="CX2" :x2="CX2" :y1="CY + R - 12" :y2="CY + R + 12" class="line" />
      <g v-for="{ entry, x, y, isHome } in runners" :key="entry.id">
        <circle :cx="x" :cy="y" r="11" :class="{ runner: true, home: isHome, chosen: chosen === entry.id }" />
        <text :x="x" :y="y + 4" text-anchor="middle">{{ entry.bib }}</text>
      </g>
    </svg>
    <ol>
      <li v-for="{ entry, at, isHome } in order.slice(0, 12)" :key="entry.id" :class="{ chosen: chosen === entry.id }">
        <b class="figures">{{ entry.bib }}</b> {{ shortName(entry) }}
        <span class="figures quiet">{{
          isHome ? 'home' : `lap ${Math.min(laps, Math.floor(at) + 1)} of ${laps}`
        }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.track {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(180px, 1fr);
  gap: 16px;
  align-items: center;
}
svg {
  width: 100%;
  display: block;
}
.ground {
  fill: none;
  stroke: var(--tint);
  stroke-width: 26;
}
.line {
  stroke: var(--ink);
  stroke-width: 3;
}
.runner {
  fill: var(--bar-2);
}
.home {
  fill: var(--met);
}
circle.chosen {
  fill: var(--vest);
  stroke: #10201d;
  stroke-width: 2;
}
text {
  font: 650 10px var(--mono);
  fill: #fff;
}
circle.chosen + text {
  fill: #10201d;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 0.875rem;
}
li.chosen {
  font-weight: 650;
}
@media (max-width: 700px) {
  .track {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
