<script setup lang="ts">
/** Points at one place after another: a ring around it, and a small sheet beside the page. Everything else stays as it is and can be used. */
import { BButton } from 'bootstrap-vue-next'
import { useEventListener, useRafFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useFirstLook } from './firstLook.ts'

const look = useFirstLook()
const router = useRouter()
const ring = ref<{ left: string; top: string; width: string; height: string } | null>(null)
const isLast = computed(() => look.at === look.steps.length - 1)

let isBroughtIntoView = false
watch(
  () => look.step,
  async (step) => {
    ring.value = null
    isBroughtIntoView = false
    if (step) await router.push(step.to(look.dayId))
  },
  { immediate: true },
)

const AROUND_PX = 5
/** The place may come a moment after its page, and moves when the page is scrolled. */
useRafFn(() => {
  const place = look.step && document.querySelector(look.step.at)
  if (!place) {
    ring.value = null
    return
  }
  if (!isBroughtIntoView) place.scrollIntoView({ block: 'nearest' })
  isBroughtIntoView = true
  const { left, top, width, height } = place.getBoundingClientRect()
  const bottom = Math.min(top + height + AROUND_PX, window.innerHeight - AROUND_PX)
  const next = {
    left: `${left - AROUND_PX}px`,
    top: `${top - AROUND_PX}px`,
    width: `${width + 2 * AROUND_PX}px`,
    height: `${Math.max(0, bottom - top + AROUND_PX)}px`,
  }
  if (JSON.stringify(next) !== JSON.stringify(ring.value)) ring.value = next
})
useEventListener(window, 'keydown', ({ key }: KeyboardEvent) => {
  if (key === 'Escape') look.leave()
})
</script>

<template>
  <template v-if="look.step">
    <div v-if="ring" class="ring" :style="ring" aria-hidden="true" />
    <aside class="sheet" aria-label="A first look" aria-live="polite">
      <p class="quiet">A first look, {{ look.at + 1 }} of {{ look.steps.length }}</p>
      <h2>{{ look.step.title }}</h2>
      <p>{{ look.step.text }}</p>
      <div>
        <BButton variant="quiet" @click="look.leave()">Leave</BButton>
        <BButton v-if="look.at > 0" variant="quiet" @click="look.go(-1)">Back</BButton>
        <BButton variant="primary" @click="look.go(1)">{{ isLast ? 'Done' : 'Next' }}</BButton>
      </div>
    </aside>
  </template>
</template>

<style scoped>
.ring {
  position: fixed;
  z-index: 30;
  border: 4px solid var(--vest);
  outline: 2px solid var(--vest-ink);
  border-radius: 10px;
  pointer-events: none;
}
.sheet {
  position: fixed;
  right: 20px;
  bottom: 20px;
  z-index: 31;
  width: min(380px, calc(100vw - 32px));
  padding: 14px 18px;
  border: 2px solid var(--ink);
}
h2 {
  font-size: 1.1875rem;
  margin: 0;
}
p {
  margin: 2px 0;
}
.quiet {
  font-size: 0.875rem;
}
.sheet div {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}
.sheet div > :first-child {
  margin-right: auto;
}
@media (max-width: 600px) {
  .sheet {
    inset: auto 12px 12px;
    width: auto;
  }
}
</style>
