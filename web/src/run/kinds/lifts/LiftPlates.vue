<script setup lang="ts">
/** The plates of one side, drawn by their weight, from the collar out. */
import { BARS_G, platesFor, printMass } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

const props = defineProps<{ loadG: number }>()

/** 0: what is lifted is no bar. Remembered on the device, which stands at its rack. */
const barG = useLocalStorage('able-gauge-bar', BARS_G[0] ?? 0)
const plates = computed(() => platesFor(props.loadG, barG.value))
const [TALLEST, LEAST] = [60, 18]
/** Taller the heavier, as plates are. */
const heightOf = (plateG: number): number => Math.round(LEAST + (TALLEST - LEAST) * Math.sqrt(plateG / 25_000))
const kg = (g: number): string => printMass(g).replace(/\s*kg$/, '')
const words = computed(() => {
  const { eachSideG, restG } = plates.value
  if (restG < 0) return `The bar alone is heavier by ${printMass(-restG)}.`
  const rest = restG === 0 ? '' : ` ${printMass(restG)} more than plates make.`
  return eachSideG.length === 0 ? `The bar alone.${rest}` : `Each side: ${eachSideG.map(kg).join(' + ')} kg.${rest}`
})
</script>

<template>
  <section class="plates sheet" aria-label="Plates">
    <label class="quiet"
      >Bar
      <BFormSelect
        v-model="barG"
        size="sm"
        :options="[...BARS_G.map((value) => ({ value, text: printMass(value) })), { value: 0, text: 'no bar' }]"
      />
    </label>
    <template v-if="barG > 0">
      <span class="drawn" aria-hidden="true">
        <i class="bar" />
        <b
          v-for="(plateG, index) in plates.eachSideG"
          :key="index"
          class="figures"
          :style="{ height: `${heightOf(plateG)}px` }"
          >{{ kg(plateG) }}</b
        >
        <i class="bar end" />
      </span>
      <span>{{ words }}</span>
    </template>
  </section>
</template>

<style scoped>
.plates {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  padding: 8px 14px;
}
.plates label {
  display: flex;
  align-items: center;
  gap: 8px;
}
.drawn {
  display: flex;
  align-items: center;
  height: 62px;
}
.drawn b {
  display: grid;
  place-items: center;
  min-width: 30px;
  padding: 0 4px;
  border: 2px solid var(--ink);
  border-radius: 4px;
  background: var(--sheet-2);
  font-size: 0.8125rem;
}
.bar {
  width: 34px;
  height: 8px;
  background: var(--ink-2);
}
.bar.end {
  width: 18px;
}
</style>
