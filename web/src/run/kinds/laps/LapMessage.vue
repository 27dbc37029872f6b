<script setup lang="ts">
/** What happened last, in words: all that a press draws in its own frame, so that nothing keeps it from being seen. */
import { computed, type Ref } from 'vue'

const { message, onCourse } = defineProps<{
  /** Asked here and nowhere above, so that nothing else is drawn with it. */
  message: Readonly<Ref<{ readonly text: string; readonly kind: 'done' | 'look' } | null>>
  /** Whether somebody is still on the course. */
  onCourse: boolean
}>()

const words = computed(
  () => message.value?.text ?? (onCourse ? 'Type a bib and press Enter as the runner crosses, or touch the tile.' : ''),
)
</script>

<template>
  <p class="message" role="status">
    <span :class="message.value?.kind">{{ words }}</span>
  </p>
</template>

<style scoped>
.message {
  position: relative;
  margin: 0;
  flex: 1 1 200px;
  min-height: 40px;
  color: var(--ink-2);
}
/* what it says changes with every stamp, where it stands does not */
.message span {
  position: absolute;
  inset: 0;
  contain: strict;
  /* drawn by itself: the page around it is not gone through for it */
  will-change: transform;
}
.message .done {
  color: var(--ink);
}
.message .look {
  padding: 6px 12px;
  border-radius: 6px;
  border: 1px solid var(--decide-edge);
  color: var(--decide);
}
@media (max-width: 900px) {
  .message {
    min-height: 1.5em;
    order: -1;
    flex-basis: 100%;
  }
  .message:not(:has(.done, .look)) {
    display: none;
  }
  .message span {
    display: block;
    position: static;
    contain: none;
    will-change: auto;
  }
}
</style>
