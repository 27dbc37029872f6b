<script setup lang="ts" generic="Own extends Followed">
/** The console of a few who start together: the list to choose them from, one start for all, a tile for each, and the next few. */
import type { StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { shortName, type Day, type Entry } from '../../day/day.ts'
import { sameList } from '../../ui/sameList.ts'
import StartCommands from '../start/StartCommands.vue'
import StartHearing from '../start/StartHearing.vue'
import VariantChoice from '../start/VariantChoice.vue'
import GroupList from './GroupList.vue'
import GroupRoom from './GroupRoom.vue'
import { personTarget } from './slipTarget.ts'
import type { Followed, Together } from './useTogether.ts'

const props = withDefaults(
  defineProps<{
    day: Day
    event: StandardEvent
    together: Together<Own>
    keys?: Readonly<Record<string, () => void>>
    help?: readonly (readonly [string, string])[]
    strongKeys?: readonly string[]
    sounds?: boolean
    onDigit?: (digit: string) => void
    /** What the key in a tile's head is called; none where digits do something else. */
    numbered?: boolean
  }>(),
  { keys: () => ({}), help: () => [], strongKeys: () => [], sounds: false, numbered: true },
)

const { grading, group, lanes, running, toStart, starting, beginStart, go, takeNext } = props.together
const { chosenIds, toggle, waiting, most } = group
/** Those under way: the same list as long as they are the same, whatever their clocks show. */
const under = computed<readonly Entry[]>((before) =>
  sameList(
    running.value.map(({ entry }) => entry),
    before,
  ),
)
const targets = computed(() => group.entries.value.map((entry) => personTarget(entry, grading.ownOf(entry.id))))
const allOver = computed(() => lanes.value.length > 0 && lanes.value.every(({ phase }) => phase === 'over'))
const allKeys = computed(() => ({
  s: beginStart,
  n: takeNext,
  ...props.keys,
  Escape: () => {
    starting.value = false
    props.keys['Escape']?.()
  },
}))
const allHelp = computed(() => [
  ['S', 'start commands for all on the console'] as const,
  ...props.help,
  ['N', 'the next who wait'] as const,
])
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="under"
    :targets="targets"
    :others="group.queue.value"
    :keys="allKeys"
    :help="allHelp"
    :strong-keys="strongKeys"
    v-bind="onDigit ? { onDigit } : {}"
    :sounds="sounds"
  >
    <template #side>
      <GroupList
        :day="day"
        :event="event"
        :candidates="group"
        :chosen-ids="chosenIds"
        :may-change="running.length === 0"
        :most="most"
        @toggle="toggle"
      />
    </template>
    <StartCommands
      v-if="starting"
      :day="day"
      :event="event"
      :entries="toStart.map(({ entry }) => entry)"
      @go="go"
      @cancel="starting = false"
    />
    <template v-else>
      <section v-if="running.length === 0 && !allOver" class="sheet ready">
        <h1>{{ toStart.length === 0 ? 'Nobody is on the console' : `${toStart.length} start together` }}</h1>
        <slot name="rules" />
        <p v-for="text in event.cautions" :key="text">{{ text }}</p>
        <div class="answers">
          <BButton
            v-if="grading.mayCapture.value"
            variant="primary"
            size="lg"
            :disabled="toStart.length === 0 || !grading.ready.value"
            @click="beginStart"
          >
            Start commands <kbd>S</kbd>
          </BButton>
          <StartHearing :protocol="event.protocol" />
        </div>
      </section>
      <slot name="above" />
      <ol class="tiles">
        <li v-for="(lane, index) in lanes" :key="lane.entry.id" class="sheet" :class="lane.phase">
          <header>
            <kbd v-if="numbered">{{ index + 1 }}</kbd>
            <strong class="figures bib">{{ lane.entry.bib ?? '–' }}</strong>
            <span>{{ shortName(lane.entry) }}</span>
          </header>
          <VariantChoice v-if="lane.phase !== 'over' && grading.mayCapture.value" :event="event" :entry="lane.entry" />
          <slot name="lane" :lane="lane" :index="index" />
        </li>
      </ol>
      <section v-if="allOver" class="sheet done">
        <strong>All are done.</strong>
        <BButton v-if="waiting.length > 0" variant="primary" size="lg" @click="takeNext">
          The next {{ Math.min(most, waiting.length) }} <kbd>N</kbd>
        </BButton>
        <RouterLink v-else class="btn btn-primary btn-lg" :to="{ name: 'run' }">Back to the events</RouterLink>
      </section>
    </template>
    <template #foot><slot name="foot" /></template>
  </GroupRoom>
</template>

<style scoped>
.ready {
  padding: 14px 18px;
}
.ready :deep(p) {
  margin: 6px 0;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 10px;
}
.tiles {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(var(--tile, 260px), 100%), 1fr));
  grid-auto-rows: minmax(min-content, 1fr);
  gap: 10px;
  flex: var(--tiles-flex, none);
}
.tiles li {
  padding: 10px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.tiles header {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.bib {
  font-size: 1.5rem;
}
.over {
  background: var(--sheet-2);
}
.done {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 14px 16px;
}
@media (max-width: 900px) {
  .tiles {
    grid-auto-rows: auto;
    flex: none;
  }
  .tiles li {
    padding: 8px;
  }
}
</style>
