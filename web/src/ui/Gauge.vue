<script setup lang="ts">
/** The gauge: a ruled strip with the side that meets the standard filled, the cut a notch, the person a marker. */
import { endsOf, gaugeScale, kindOf, positionOn, printQuantity, type Cut, type Protocol } from '@able-gauge/core'
import { computed } from 'vue'

const props = withDefaults(
  defineProps<{
    cut: Pick<Cut, 'value' | 'unit' | 'sense' | 'full' | 'publishedIn'>
    /** Of the event, where its values are not counted as plain numbers. */
    protocol?: Protocol | undefined
    /** Where the person stands; null for no marker. */
    value: number | null
    /** How the marker looks: still running or inside, outside the standard, or waiting for a decision. */
    state?: 'good' | 'short' | 'decide'
    /** `small` for tables, `large` with figures at notch and ends. */
    size?: 'small' | 'large'
    /** A word after the cut's figure. */
    cutWord?: string
    /** A second mark: when everybody is stopped. */
    limit?: number | undefined
  }>(),
  { state: 'good', size: 'small', cutWord: '' },
)

const scale = computed(() =>
  gaugeScale(
    props.limit === undefined ? props.cut : { ...props.cut, limit: props.limit },
    props.protocol && kindOf(props.protocol).scale?.(props.protocol),
  ),
)
const share = (value: number): number => positionOn(scale.value, value) * 100
const cutAt = computed(() => share(props.cut.value))
const valueAt = computed(() => (props.value === null ? 0 : share(props.value)))
const filled = computed(() =>
  props.cut.sense === 'atMost'
    ? { left: '0%', right: `${100 - cutAt.value}%` }
    : { left: `${cutAt.value}%`, right: '0%' },
)
const graduation = computed(() => `${(scale.value.graduation / (scale.value.to - scale.value.from)) * 100}%`)
/** The limit stands where the upper end would. */
const ends = computed(() => endsOf(scale.value).slice(0, props.limit === undefined ? 2 : 1))
const print = (value: number): string => printQuantity(Math.round(value), props.cut.unit)
const label = computed(() => {
  const asked = `${props.cut.sense === 'atMost' ? 'at most' : 'at least'} ${print(props.cut.value)}`
  return props.value === null ? `Asked: ${asked}` : `${print(props.value)}, asked: ${asked}`
})
</script>

<template>
  <div class="gauge" :class="[size, state]" role="img" :aria-label="label">
    <span
      v-if="size === 'large'"
      class="cut-figure figures"
      :class="{ before: cutAt > 70 }"
      :style="{ left: `${cutAt}%` }"
    >
      {{ `${print(cut.value)} ${cutWord}` }}
    </span>
    <div class="strip" :style="{ '--graduation': graduation }">
      <div class="met" :style="filled" />
      <div class="rule" />
    </div>
    <div class="notch" :style="{ left: `${cutAt}%` }" />
    <div v-if="limit !== undefined" class="notch limit" :style="{ left: `${share(limit)}%` }" />
    <div v-if="value !== null" class="marker" :style="{ '--at': valueAt }" />
    <div v-if="size === 'large'" class="ends figures">
      <span v-for="end in ends" :key="end">{{ print(end) }}</span>
      <strong v-if="limit !== undefined" class="limit-figure" :style="{ right: `${100 - share(limit)}%` }"
        >{{ print(limit) }} limit</strong
      >
    </div>
  </div>
</template>

<style scoped>
.gauge {
  position: relative;
  padding: 5px 0;
}
.strip {
  position: relative;
  height: 8px;
  border: 1px solid var(--line-2);
  background: var(--sheet-2);
}
.met,
.rule {
  position: absolute;
  inset: -1px 0;
}
.met {
  background: var(--met);
}
.rule {
  inset: 0;
  background-image: linear-gradient(
    to right,
    transparent calc(100% - 1px),
    color-mix(in srgb, var(--line-2) 70%, transparent) 0
  );
  background-size: var(--graduation) 100%;
}
.notch {
  position: absolute;
  top: 2px;
  bottom: 2px;
  width: 2px;
  margin-left: -1px;
  background: var(--ink);
}
.limit {
  background: repeating-linear-gradient(var(--ink) 0 3px, transparent 3px 5px);
}
.limit-figure {
  position: absolute;
  white-space: nowrap;
  color: var(--ink);
}
/* painted where it stands rather than placed there: one that moves lays out nothing, in the frame of a press */
.marker {
  --wide: 8px;
  --edge: 2px;
  --inner: calc(var(--wide) - 2 * var(--edge));
  --middle: calc(var(--at) * 1%);
  position: absolute;
  inset: 2px calc(var(--wide) / -2);
  background:
    linear-gradient(var(--fill, var(--vest)) 0 0) calc(var(--middle) + var(--edge) - var(--at) * var(--edge) / 50) /
      var(--inner) calc(100% - 2 * var(--edge)),
    linear-gradient(var(--rim, #10201d) 0 0) var(--middle) / var(--wide) 100%;
  background-repeat: no-repeat;
}
.short .marker {
  --fill: #b5361a;
  --rim: var(--ink);
}
.decide .marker {
  --fill: var(--decide-edge);
}
.large {
  padding: 24px 0 20px;
}
.large .strip {
  height: 15px;
}
.large .notch {
  top: 16px;
  bottom: 14px;
}
.large .notch:not(.limit)::before {
  content: '';
  position: absolute;
  left: -5px;
  top: -2px;
  border: 6px solid transparent;
  border-top: 7px solid var(--ink);
  border-bottom: 0;
}
.large .marker {
  --wide: 11px;
  top: 19px;
  bottom: 14px;
}
.cut-figure {
  position: absolute;
  top: 0;
  margin-left: 9px;
  font-weight: 700;
  font-size: 0.875rem;
  white-space: nowrap;
}
.cut-figure.before {
  transform: translateX(-100%);
  margin-left: -9px;
}
.ends {
  position: absolute;
  inset: auto 0 0;
  display: flex;
  justify-content: space-between;
  font-size: 0.8125rem;
  color: var(--ink-2);
  line-height: 1;
}
</style>
