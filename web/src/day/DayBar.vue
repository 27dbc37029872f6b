<script setup lang="ts">
/** The bar over a day: where you are, the tape of the day, the agreed clock and whether all is saved. */
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import IconDoor from '~icons/tabler/logout'
import IconMoon from '~icons/tabler/sunset-2'
import { useSession } from '../session/sessionStore.ts'
import BrandMark from '../ui/BrandMark.vue'
import { shortDate, timeOfDay } from '../ui/localTime.ts'
import { dusk, setDusk } from '../ui/theme.ts'
import { inPause } from '../ui/pressFirst.ts'
import { useTick } from '../ui/useTick.ts'
import type { Day } from './day.ts'
import DaySaved from './DaySaved.vue'
import DayTape from './DayTape.vue'

const props = defineProps<{
  day: Day
}>()

const session = useSession()
const router = useRouter()
const route = useRoute()
const nowMs = useTick(500, inPause)
const menuOpen = ref(false)
const clock = computed(() => timeOfDay(nowMs.value, props.day.occasion.zone))

const leave = async (): Promise<void> => {
  await session.signOut()
  await router.push({ name: 'signIn', query: { to: route.fullPath } })
}
</script>

<template>
  <header class="bar no-print">
    <RouterLink class="brand" to="/" aria-label="Able Gauge, all days">
      <BrandMark /><span class="name">Able Gauge</span>
    </RouterLink>
    <div class="where">
      <strong>{{ day.occasion.name }}</strong>
      <span
        >{{ day.occasion.venue }}, {{ shortDate(day.occasion.testDate)
        }}{{ day.readIn ? (day.readIn.proven ? ', read in' : ', read in, not proven') : '' }}</span
      >
    </div>
    <span v-if="session.account?.station" class="tape station">Station of {{ session.account.displayName }}</span>
    <DayTape v-else class="tape" :day="day" />
    <div class="now">
      <div class="words">
        <span class="clock figures">{{ clock }}</span>
        <DaySaved :day="day" />
      </div>
    </div>
    <div class="menu">
      <button class="who" :aria-expanded="menuOpen" aria-label="Your account" @click="menuOpen = !menuOpen">
        {{ session.account?.displayName.slice(0, 1) }}
      </button>
      <div v-if="menuOpen" class="panel sheet">
        <strong>{{ session.account?.displayName }}</strong>
        <span class="quiet">{{ session.account?.role }}</span>
        <BButton variant="quiet" size="sm" @click="setDusk(!dusk)">
          <IconMoon /> {{ dusk ? 'Daylight screen' : 'Dusk screen' }}
        </BButton>
        <BButton variant="quiet" size="sm" @click="leave"><IconDoor /> Sign out</BButton>
      </div>
    </div>
  </header>
</template>

<style scoped>
/* painted by itself, so that a press below goes through nothing of it; above what follows, for the menu that comes out of it */
.bar {
  position: relative;
  z-index: 10;
  contain: layout style;
  background: var(--bar);
  color: var(--bar-ink);
  display: flex;
  align-items: stretch;
  gap: 16px;
  padding: 0 20px;
  min-height: 64px;
}
.brand {
  display: flex;
  align-items: center;
  gap: 9px;
  color: inherit;
  text-decoration: none;
  font-weight: 700;
  font-size: 1.0625rem;
  white-space: nowrap;
  padding-right: 16px;
  position: relative;
}
.brand::after {
  content: '';
  position: absolute;
  right: 0;
  top: 16px;
  bottom: 16px;
  width: 1px;
  background: color-mix(in srgb, var(--bar-ink-2) 45%, transparent);
}
.where {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-width: 0;
  line-height: 1.25;
}
.where strong {
  font-weight: 500;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.where span {
  font-size: 0.8125rem;
  color: var(--bar-ink-2);
  white-space: nowrap;
}
.tape {
  flex: 1;
  margin-left: 8px;
}
.station {
  display: flex;
  align-items: center;
  font-weight: 650;
}
.now {
  position: relative;
  width: 290px;
}
/* a fixed place that is no part of the layout around it: its words change with every capture */
.words {
  position: absolute;
  inset: 0;
  contain: strict;
  display: flex;
  flex-direction: column;
  justify-content: center;
  align-items: flex-end;
  line-height: 1.2;
}
.clock {
  font-size: 1.1875rem;
}
.menu {
  position: relative;
  display: flex;
  align-items: center;
}
.who {
  width: 36px;
  height: 36px;
  border-radius: 6px;
  border: 1px solid var(--bar-ink-2);
  background: transparent;
  color: inherit;
  font-weight: 700;
}
.panel {
  position: absolute;
  right: 0;
  top: calc(100% + 4px);
  z-index: 30;
  padding: 14px;
  width: 210px;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  gap: 8px;
  border-color: var(--line-2);
}
.panel .quiet {
  margin-top: -8px;
}
@media (max-width: 900px) {
  .bar {
    flex-wrap: wrap;
    gap: 0 10px;
    padding: 8px 12px 0;
  }
  .brand {
    padding-right: 0;
  }
  .brand .name,
  .brand::after {
    display: none;
  }
  .where {
    flex: 1;
    overflow: hidden;
  }
  .where span {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .now {
    width: auto;
    min-width: 120px;
  }
  .words {
    position: static;
    contain: layout paint;
    height: 100%;
  }
  .where strong {
    font-size: 0.9375rem;
    line-height: 1.2;
    white-space: normal;
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
  }
  .tape {
    order: 5;
    flex-basis: calc(100% + 24px);
    margin: 6px -12px 0;
  }
}
@media (max-width: 560px) {
  /* the name in full says which day it is */
  .where span {
    display: none;
  }
}
</style>
