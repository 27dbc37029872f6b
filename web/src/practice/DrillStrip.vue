<script setup lang="ts">
/** Every repetition of a set as a small square, with what was said of it; a square opens its repetition. */
import { ITEM_RESULTS, type DrillScore, type ItemResult, type ScoredItem } from '@able-gauge/core/drill'
import { computed } from 'vue'

const props = defineProps<{
  score: DrillScore
  lanes: number
  chosen: ScoredItem | null
  say: (result: ItemResult) => string
}>()
const emit = defineEmits<{ choose: [item: ScoredItem] }>()

const rows = computed(() =>
  Array.from({ length: props.lanes }, (_, lane) => props.score.items.filter((item) => item.lane === lane)),
)
const used = computed(() => ITEM_RESULTS.filter((result) => props.score.items.some((item) => item.result === result)))
</script>

<template>
  <div v-for="(items, lane) in rows" :key="lane" class="row-of">
    <span v-if="lanes > 1" class="figures bib">{{ lane + 1 }}</span>
    <div class="squares">
      <button
        v-for="one in items"
        :key="one.item.no"
        :class="[one.result, { chosen: one === chosen }]"
        :aria-label="`${one.item.no}: ${say(one.result)}`"
        :aria-pressed="one === chosen"
        @click="emit('choose', one)"
      >
        <i aria-hidden="true" /><span class="figures">{{ one.item.no }}</span>
      </button>
    </div>
  </div>
  <ul class="key">
    <li v-for="result in used" :key="result" :class="result"><i aria-hidden="true" />{{ say(result) }}</li>
  </ul>
</template>

<style scoped>
.row-of {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  margin-top: 8px;
}
.bib {
  font-weight: 700;
  padding-top: 8px;
}
.squares {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
}
button {
  border: 2px solid transparent;
  border-radius: 6px;
  background: none;
  padding: 3px 3px 1px;
  display: flex;
  flex-direction: column;
  align-items: center;
  font-size: 0.8125rem;
  color: var(--ink-2);
  min-width: 38px;
}
button.chosen {
  border-color: var(--ink);
}
i {
  display: block;
  width: 26px;
  height: 26px;
  border-radius: 5px;
  border: 2px solid var(--met);
  position: relative;
}
.right i {
  background: var(--met);
}
/* a bar that lies: refused; one that stands: refused though it was sound */
.refusedRightly i::after,
.otherReason i::after,
.letThrough i::after,
.refusedWrongly i::after {
  content: '';
  position: absolute;
  inset: 9.5px 4px;
  background: var(--met);
}
.letThrough i,
.refusedWrongly i,
.notSeen i {
  border-color: var(--short);
  background: var(--short-tint);
}
.letThrough i::after {
  background: var(--short);
}
.refusedWrongly i::after {
  background: var(--short);
  inset: 4px 9.5px;
}
.otherReason i {
  border-style: dashed;
}
.notSeen i {
  border-style: dotted;
}
.key {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  margin: 12px 0 0;
  padding: 0;
  font-size: 0.875rem;
}
.key li {
  display: flex;
  gap: 6px;
  align-items: center;
}
.key i {
  width: 18px;
  height: 18px;
}
.key .refusedRightly i::after,
.key .otherReason i::after,
.key .letThrough i::after {
  inset: 5.5px 3px;
}
.key .refusedWrongly i::after {
  inset: 3px 5.5px;
}
</style>
