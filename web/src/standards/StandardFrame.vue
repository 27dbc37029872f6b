<script setup lang="ts">
/** What all pages about one version share: its name, its state, and the ways to look at it. */
import { forceOn, type Force } from '@able-gauge/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '../session/sessionStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import { today } from '../ui/localTime.ts'
import StateChip from './StateChip.vue'
import { provideVersion } from './useVersion.ts'

const route = useRoute()
const session = useSession()
const { detail, problem, standard, id, version } = provideVersion(
  () => String(route.params['standardId']),
  () => Number(route.params['version']),
)
const isDraft = computed(() => detail.value?.state === 'draft')
const name = computed(() => {
  const { name: written } = Object(detail.value?.content) as { name?: unknown }
  return typeof written === 'string' ? written : id()
})
const force = computed<Force>(() => {
  const one = standard.value
  if (!one || !detail.value) return 'draft'
  const inForceTo = detail.value.retired?.lastDay ?? one.inForceTo ?? null
  return forceOn({ state: detail.value.state, inForceFrom: one.inForceFrom, inForceTo }, today())
})
</script>

<template>
  <HouseBand />
  <div class="title no-print">
    <RouterLink class="all" :to="{ name: 'library' }">Standards</RouterLink>
    <h1>{{ name }}, version {{ version() }}</h1>
    <StateChip v-if="detail" :state="detail.state" :force="force" />
    <nav aria-label="This version">
      <RouterLink :to="{ name: 'standard' }" exact-active-class="here">Read</RouterLink>
      <RouterLink v-if="isDraft && session.can('standards.write')" :to="{ name: 'edit' }" active-class="here"
        >Edit</RouterLink
      >
      <RouterLink :to="{ name: 'try' }" active-class="here">Try it</RouterLink>
    </nav>
  </div>
  <main v-if="problem" class="room">
    <p class="problem" role="alert">{{ problem }}</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'library' }">All standards</RouterLink>
  </main>
  <RouterView v-else-if="detail" :key="`${id()} ${version()}`" />
</template>

<style scoped>
.title {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 10px 20px 0;
  max-width: 1440px;
  width: 100%;
  margin: 0 auto;
  flex-wrap: wrap;
}
nav {
  display: flex;
  margin-left: auto;
}
nav a {
  padding: 8px 16px;
  color: inherit;
  text-decoration: none;
  font-weight: 650;
  border-bottom: 4px solid var(--line);
  min-height: 44px;
}
nav .here {
  border-bottom-color: var(--bar);
}
:root[data-theme='dusk'] nav .here {
  border-bottom-color: var(--vest);
}
</style>
