<script setup lang="ts">
/** The band above the rooms of the house: the name, the rooms, who is signed in. */
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ROLE_NAMES, useSession } from '../session/sessionStore.ts'
import BrandMark from './BrandMark.vue'

const session = useSession()
const router = useRouter()
const route = useRoute()
const inPeople = computed(() => route.path.startsWith('/people'))
const inInsight = computed(() => route.path.startsWith('/insight'))
const inReach = computed(() =>
  (['insight.read', 'insight.graders', 'people.read'] as const).some((action) => session.can(action)),
)
const inLibrary = computed(() => route.path.startsWith('/standards'))

const leave = async (): Promise<void> => {
  await session.signOut()
  await router.push({ name: 'signIn' })
}
</script>

<template>
  <header class="band no-print">
    <BrandMark /><strong>Able Gauge</strong>
    <nav aria-label="Rooms">
      <RouterLink v-if="session.can('days.list')" :to="{ name: 'days' }" exact-active-class="here">Days</RouterLink>
      <RouterLink v-if="session.can('people.read')" :to="{ name: 'people' }" :class="{ here: inPeople }"
        >People</RouterLink
      >
      <RouterLink
        v-if="session.can('standards.read') && session.can('days.list')"
        :to="{ name: 'library' }"
        :class="{ here: inLibrary }"
        >Standards</RouterLink
      >
      <RouterLink v-if="inReach" :to="{ name: 'insight' }" :class="{ here: inInsight }">Insight</RouterLink>
      <RouterLink v-if="session.can('practise')" :to="{ name: 'practice' }" active-class="here">Practice</RouterLink>
      <RouterLink v-if="session.can('accounts.manage')" :to="{ name: 'accounts' }" active-class="here"
        >Accounts</RouterLink
      >
      <RouterLink v-if="session.can('houseRules.write')" :to="{ name: 'houseRules' }" active-class="here"
        >House rules</RouterLink
      >
      <RouterLink
        v-if="session.can('stations.open') || session.can('accounts.manage')"
        :to="{ name: 'connect' }"
        active-class="here"
        >Connect</RouterLink
      >
    </nav>
    <RouterLink class="who" :to="{ name: 'ownAccount' }"
      >{{ session.account?.displayName
      }}<small> {{ session.account ? ROLE_NAMES[session.account.role] : '' }}</small></RouterLink
    >
    <BButton variant="quiet" size="sm" class="out" @click="leave">Sign out</BButton>
  </header>
</template>

<style scoped>
.band {
  background: var(--bar);
  color: var(--bar-ink);
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 20px;
  min-height: 64px;
}
.band strong {
  white-space: nowrap;
}
nav {
  display: flex;
  align-self: stretch;
  margin-left: 18px;
}
nav a {
  display: flex;
  align-items: center;
  padding: 0 16px;
  color: inherit;
  text-decoration: none;
  font-weight: 650;
  border-bottom: 4px solid transparent;
  border-top: 4px solid transparent;
}
nav .here {
  border-bottom-color: var(--vest);
}
.who {
  color: inherit;
  text-decoration: none;
  margin-left: auto;
  text-align: right;
  line-height: 1.2;
}
.who small {
  display: block;
  color: var(--bar-ink-2);
}
.out {
  color: inherit;
  background: none;
  border: 1px solid var(--bar-ink-2);
}
@media (max-width: 1080px) {
  .band {
    flex-wrap: wrap;
    padding: 8px 12px 0;
    row-gap: 0;
  }
  nav {
    order: 5;
    width: 100%;
    margin: 4px 0 0;
    flex-wrap: wrap;
  }
  nav a {
    min-height: 44px;
    padding: 0 12px;
    font-size: 0.9375rem;
    white-space: nowrap;
  }
}
@media (max-width: 640px) {
  nav a {
    min-height: 40px;
    padding: 0 7px;
  }
  .who small {
    display: none;
  }
}
</style>
