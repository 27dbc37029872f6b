<script setup lang="ts">
/** What was changed and is not saved yet; and, when somebody else saved meanwhile, what they changed. */
import { BButton } from 'bootstrap-vue-next'
import type { PlanDraft } from './usePlan.ts'

const props = defineProps<{
  draft: PlanDraft
}>()

const { changes, saving, problem, meanwhile } = props.draft
</script>

<template>
  <section v-if="meanwhile" class="sheet meanwhile" role="alert">
    <h2>{{ meanwhile.by }} changed the plan meanwhile</h2>
    <p>Nothing was overwritten. Changed there:</p>
    <ul>
      <li v-for="{ place, sentence } in meanwhile.changes" :key="place">{{ sentence }}</li>
    </ul>
    <p v-if="meanwhile.clashes.length > 0">
      You changed the same in another way. Put on top, yours would stand: {{ meanwhile.clashes.join('; ') }}.
    </p>
    <BButton variant="primary" @click="draft.putMineOnTop">Put my changes on top of theirs</BButton>
    <BButton variant="quiet" @click="draft.takeTheirs">Drop mine</BButton>
  </section>
  <section v-else-if="changes.length > 0" class="sheet unsaved" role="status">
    <div>
      <strong>Not saved yet</strong>
      <span class="quiet">
        {{
          changes
            .slice(0, 3)
            .map(({ sentence }) => sentence)
            .join('; ')
        }}{{ changes.length > 3 ? ` and ${changes.length - 3} more` : '' }}.</span
      >
    </div>
    <BButton variant="primary" :disabled="saving" @click="draft.save">Save the plan</BButton>
    <BButton variant="quiet" :disabled="saving" @click="draft.drop">Drop the changes</BButton>
  </section>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.unsaved,
.meanwhile {
  padding: 12px 16px;
  margin-bottom: 12px;
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
.unsaved {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  position: sticky;
  top: 8px;
  z-index: 5;
}
.unsaved div {
  flex: 1 1 300px;
}
.meanwhile .btn {
  margin-right: 8px;
}
</style>
