<script setup lang="ts">
/** What comes after a set: another one, a harder one, and who else took this one. */
import type { DrillBeside, DrillResult, Standard } from '@able-gauge/core'
import { DRILL_LEVELS, isMovement } from '@able-gauge/core/drill'
import { BButton } from 'bootstrap-vue-next'
import { onMounted, ref, watch } from 'vue'
import { NoAnswer, Refusal } from '../api.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useSession } from '../session/sessionStore.ts'
import { listDrills, readBeside } from './drillCalls.ts'
import EyeHistory from './EyeHistory.vue'
import { lanesFor, type PracticeSet } from './practiceDay.ts'
import { addressOf, someSeed } from './setAddress.ts'

const props = defineProps<{
  set: PracticeSet
  standard: Standard
  kept: DrillResult | null
  waits: boolean
  /** The fault that escaped most often, which the next set shows more of. */
  more?: string | undefined
}>()
// it has the same address, so that no link leads there
const emit = defineEmits<{ again: [] }>()

const session = useSession()
const house = useHouseRules()
const others = ref<readonly DrillBeside[]>([])
const drills = ref<readonly DrillResult[]>([])
watch(
  () => props.kept,
  async (kept) => {
    if (!kept) return
    drills.value = [kept]
    try {
      others.value = await readBeside(kept.id)
      drills.value = await listDrills(session.account?.id ?? '')
    } catch (error) {
      // neither others nor earlier sets are a reason to stop looking at this one
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
    }
  },
  { immediate: true },
)
onMounted(() => void house.read())
const to = (change: Partial<PracticeSet>) => {
  const { more: _more, ...set } = props.set
  return addressOf(props.standard.id, props.standard.version, { ...set, seed: someSeed(), ...change })
}
const percent = (share: number | null): string => (share === null ? 'none' : share.toFixed(2))
const otherLanes = lanesFor(props.set.what).find((many) => many !== props.set.lanes)
const harder = DRILL_LEVELS.find((level) => level > props.set.level)
</script>

<template>
  <section class="next">
    <p v-if="waits" role="status">This set waits on this device until there is a network.</p>
    <div class="buttons">
      <RouterLink class="btn btn-primary btn-lg" :to="to(more === undefined ? {} : { more })"
        >Another set, level {{ set.level }}</RouterLink
      >
      <RouterLink v-if="harder" class="btn btn-quiet btn-lg" :to="to({ level: harder })"
        >Harder: level {{ harder }}</RouterLink
      >
      <RouterLink v-if="otherLanes" class="btn btn-quiet btn-lg" :to="to({ lanes: otherLanes })">{{
        otherLanes === 1 ? 'One candidate' : 'Four lanes'
      }}</RouterLink>
      <BButton variant="quiet" size="lg" @click="emit('again')">The same set again</BButton>
    </div>
    <div class="beside">
      <section v-if="others.length > 0" class="sheet">
        <h2>Others on this set</h2>
        <ul>
          <li v-for="(other, index) in others" :key="index">
            <strong>{{ other.name || `Another grader` }}</strong>: {{ percent(other.mark)
            }}<template v-if="isMovement(set.what)"
              >, counted {{ other.counted }}; you two said the same to {{ percent(other.together) }}</template
            >
          </li>
        </ul>
      </section>
      <EyeHistory :what="set.what" :drills="drills" />
    </div>
  </section>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.beside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 14px;
  margin-top: 14px;
}
.sheet {
  padding: 14px 18px;
}
h2 {
  font-size: 1.1875rem;
  margin: 0 0 6px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  padding: 5px 0;
  border-top: 1px solid var(--line);
}
@media (max-width: 600px) {
  .buttons .btn {
    flex: 1 1 45%;
  }
}
</style>
