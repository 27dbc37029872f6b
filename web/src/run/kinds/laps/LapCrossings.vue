<script setup lang="ts">
/** Crossings of the wave, newest first; a time without a bib asks for one. */
import { BButton } from 'bootstrap-vue-next'
import { printTime, type LapCrossing } from '@able-gauge/core'
import type { Entry } from '../../../day/day.ts'
import { isHeldByPage } from '../../../sync/outbox.ts'

defineProps<{
  crossings: readonly LapCrossing[]
  lapWord: string
  /** How many older ones are not shown. */
  more: number
  entryOf: (entryId: string | null) => Entry | undefined
  /** The crossing whose bib is being typed. */
  assigning: string | null
  mayAssign: boolean
}>()

const emit = defineEmits<{ assign: [captureId: string] }>()

/** Shown to the tenth as a watch shows it; judged to the millisecond. */
const tenths = (elapsedMs: number | null): string => printTime(Math.floor((elapsedMs ?? 0) / 100) * 100, 1)
</script>

<template>
  <section class="sheet crossings">
    <div class="inside">
      <header>
        <strong>Crossings</strong>
        <span class="quiet">newest first</span>
      </header>
      <p v-if="crossings.length === 0" class="quiet">
        None yet. Type a bib and press Enter as the runner crosses, or touch the tile.
      </p>
      <ol>
        <li
          v-for="crossing in crossings"
          :key="crossing.captureId"
          v-memo="[crossing, assigning === crossing.captureId, mayAssign, isHeldByPage(crossing.captureId)]"
          :class="{ unknown: crossing.entryId === null }"
        >
          <template v-if="crossing.entryId === null">
            <BButton v-if="mayAssign" variant="quiet" size="sm" @click="emit('assign', crossing.captureId)">
              {{ assigning === crossing.captureId ? 'Type the bib' : 'Put a bib' }}
            </BButton>
            <span v-else>no bib</span>
          </template>
          <template v-else>
            <button
              v-if="mayAssign"
              class="bib figures"
              :aria-label="`Bib ${entryOf(crossing.entryId)?.bib}: was another`"
              @click="emit('assign', crossing.captureId)"
            >
              {{ assigning === crossing.captureId ? 'bib?' : entryOf(crossing.entryId)?.bib }}
            </button>
            <strong v-else class="figures">{{ entryOf(crossing.entryId)?.bib }}</strong>
            <span>{{ crossing.home ? 'home' : `${lapWord} ${crossing.lap}` }}</span>
          </template>
          <span class="figures time" :class="{ held: isHeldByPage(crossing.captureId) }">{{
            tenths(crossing.elapsedMs)
          }}</span>
        </li>
      </ol>
      <p v-if="more > 0" class="quiet">{{ more }} earlier crossings are on record.</p>
    </div>
  </section>
</template>

<style scoped>
.crossings {
  position: relative;
  min-height: 0;
}
/* no part of the layout around it, so that a stamp lays out the list alone */
.inside {
  position: absolute;
  inset: 0;
  contain: strict;
  padding: 12px 14px;
  display: flex;
  flex-direction: column;
}
header {
  display: flex;
  justify-content: space-between;
}
ol {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  overflow-y: auto;
}
/* the list goes on below: a row that is cut fades rather than breaks; a mask would draw the whole list anew for each stamp */
ol::after {
  content: '';
  position: sticky;
  bottom: 0;
  display: block;
  height: 22px;
  background: linear-gradient(to bottom, transparent, var(--sheet));
  pointer-events: none;
}
li {
  display: grid;
  grid-template-columns: 44px 1fr auto;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
.bib {
  justify-self: start;
  min-width: 40px;
  min-height: 40px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font-weight: 700;
  text-align: left;
}
.unknown {
  grid-template-columns: 1fr auto;
  background: var(--decide-tint);
  margin: 0 -8px;
  padding: 5px 8px;
}
.unknown .btn {
  justify-self: start;
}
.time {
  font-size: 1rem;
}
/* hollow until it is on the disk of this device */
.time::after {
  content: '';
  display: inline-block;
  width: 7px;
  height: 7px;
  margin-left: 8px;
  border: 1.5px solid var(--bar-2);
  border-radius: 50%;
  background: var(--bar-2);
}
.time.held::after {
  background: none;
}
@media (max-width: 900px) {
  .inside {
    position: static;
    contain: none;
  }
}
</style>
