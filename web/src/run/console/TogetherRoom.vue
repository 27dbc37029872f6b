<script setup lang="ts" generic="Own extends Followed">
/** The console of a few who start together: the list to choose them from, one start for all, a tile for each, and the next few. */
import type { StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { sameList } from '../../ui/sameList.ts'
import StartCommands from '../start/StartCommands.vue'
import StartHearing from '../start/StartHearing.vue'
import GroupList from './GroupList.vue'
import GroupRoom from './GroupRoom.vue'
import { personTarget, type SlipTarget } from './slipTarget.ts'
import TogetherTile from './TogetherTile.vue'
import type { Followed, Together } from './useTogether.ts'

const props = withDefaults(
  defineProps<{
    day: Day
    event: StandardEvent
    together: Together<Own>
    /** Asked at a key, and only then. */
    keys?: () => Readonly<Record<string, () => void>>
    help?: readonly (readonly [string, string])[]
    sounds?: boolean
    onDigit?: (digit: string) => void
    /** What the key in a tile's head is called; none where digits do something else. */
    numbered?: boolean
  }>(),
  { keys: () => ({}), help: () => [], sounds: false, numbered: true },
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
const targets = (): readonly SlipTarget[] =>
  group.entries.value.map((entry) => personTarget(entry, grading.ownOf(entry.id)))
const [isRunning, readyCount] = [computed(() => running.value.length > 0), computed(() => toStart.value.length)]
const allOver = computed(() => lanes.value.length > 0 && lanes.value.every(({ phase }) => phase === 'over'))
const allKeys = (): Readonly<Record<string, () => void>> => {
  const own = props.keys()
  const escape = (): void => {
    starting.value = false
    own['Escape']?.()
  }
  return { s: beginStart, n: takeNext, ...own, Escape: escape }
}
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
    v-bind="onDigit ? { onDigit } : {}"
    :sounds="sounds"
  >
    <template #side>
      <GroupList
        :day="day"
        :event="event"
        :candidates="group"
        :chosen-ids="chosenIds"
        :may-change="!isRunning"
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
      <section v-if="!isRunning && !allOver" class="sheet ready">
        <h1>{{ readyCount === 0 ? 'Nobody is on the console' : `${readyCount} start together` }}</h1>
        <slot name="rules" />
        <p v-for="text in event.cautions" :key="text">{{ text }}</p>
        <div class="answers">
          <BButton
            v-if="grading.mayCapture.value"
            variant="primary"
            size="lg"
            :disabled="readyCount === 0 || !grading.ready.value"
            @click="beginStart"
          >
            Start commands <kbd>S</kbd>
          </BButton>
          <StartHearing :protocol="event.protocol" />
        </div>
      </section>
      <slot name="above" />
      <ol class="tiles">
        <TogetherTile
          v-for="(entry, index) in group.entries.value"
          :key="entry.id"
          :event="event"
          :lanes="together.lanes"
          :index="index"
          v-bind="numbered ? { cap: String(index + 1) } : {}"
          :may-capture="grading.mayCapture.value"
        >
          <template #head="{ lane }"><slot name="head" :lane="lane" /></template>
          <template #default="{ lane }"><slot name="lane" :lane="lane" :index="index" /></template>
        </TogetherTile>
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
}
</style>
