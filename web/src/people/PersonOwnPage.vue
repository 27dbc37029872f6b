<script setup lang="ts">
/** The link to somebody's own page: made, shown once as a code to scan, withdrawn. */
import { OwnPageLinkAnswer, type Person } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, shallowRef } from 'vue'
import { call, inWords, tell } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import { useDone } from '../ui/done.ts'
import { dateAndTime } from '../ui/localTime.ts'
import QrCode from '../ui/QrCode.vue'
import { useReach } from '../ui/useReach.ts'

const props = defineProps<{ person: Person }>()
const session = useSession()
const { plain, secure, isAlone } = useReach()
const isSecure = location.protocol === 'https:'
const link = shallowRef<OwnPageLinkAnswer | null>(null)
const address = computed(() => {
  const path = `/mine#${link.value?.code ?? ''}`
  return session.publicAddress === null ? (isSecure ? secure : plain)(path) : session.publicAddress + path
})
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const problem = ref('')
const done = useDone()

const doing = async (work: () => Promise<void>): Promise<void> => {
  problem.value = ''
  try {
    await work()
  } catch (error) {
    problem.value = inWords(error)
  }
}
const make = (): Promise<void> =>
  doing(async () => {
    link.value = await call('POST', `/people/${props.person.id}/own-page`, OwnPageLinkAnswer)
  })
const withdraw = (): Promise<void> =>
  doing(async () => {
    await tell('DELETE', `/people/${props.person.id}/own-page`)
    link.value = null
    done.tell('Every link to the page has ended.')
  })
</script>

<template>
  <section class="sheet part">
    <h2>Own page</h2>
    <p class="quiet">
      By a link {{ person.givenName }} sees signed results with their reasons, what is to come, and logs tests of their
      own. It asks for the date of birth.
    </p>
    <div v-if="link" class="link">
      <QrCode :text="address" :label="`Opens the page of ${person.givenName} ${person.familyName}`" />
      <div>
        <p>Shown now and never again; it opens the page until {{ dateAndTime(link.endsMs, zone) }}.</p>
        <p class="address figures">{{ address }}</p>
        <p v-if="isAlone && session.publicAddress === null" class="quiet">
          No other device reaches this machine: start it with --field.
        </p>
      </div>
    </div>
    <BButton variant="quiet" size="sm" @click="make">{{ link ? 'Another link' : 'Make a link' }}</BButton>
    <BButton variant="quiet" size="sm" @click="withdraw">End every link</BButton>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 16px;
}
.link {
  display: grid;
  grid-template-columns: minmax(140px, 200px) 1fr;
  gap: 18px;
  margin-bottom: 12px;
}
.address {
  overflow-wrap: anywhere;
  user-select: all;
  font-size: 0.875rem;
}
@media (max-width: 560px) {
  .link {
    grid-template-columns: 1fr;
  }
}
</style>
