<script setup lang="ts">
/** One unit: its name, what it is a part of, whether it is in use. */
import { unitsWithin, type OrgUnit } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { v4 as newId } from 'uuid'
import { computed, reactive, ref, watch } from 'vue'
import { inWords, tell } from '../../api.ts'
import { useUnits } from '../../session/unitStore.ts'

/** Without an id it is a new one. */
const props = defineProps<{ unit: Partial<OrgUnit> | null }>()
const emit = defineEmits<{ close: []; changed: [] }>()

const units = useUnits()
const draft = reactive({ name: '', parentId: '' })
const problem = ref('')
const busy = ref(false)
watch(
  () => props.unit,
  (unit) => {
    problem.value = ''
    Object.assign(draft, { name: unit?.name ?? '', parentId: unit?.parentId ?? '' })
  },
)

/** Anything but itself and what lies below it. */
const parents = computed(() => {
  const own = props.unit?.id === undefined ? new Set<string>() : unitsWithin(units.units, props.unit.id)
  const open = units.tree.filter(({ id, isClosed }) => !own.has(id) && (!isClosed || id === draft.parentId))
  return [{ value: '', text: 'the organisation itself' }, ...open.map(({ id, path }) => ({ value: id, text: path }))]
})

const keep = async (isClosed: boolean): Promise<void> => {
  busy.value = true
  problem.value = ''
  try {
    const parentId = draft.parentId === '' ? null : draft.parentId
    await tell('PUT', `/units/${props.unit?.id ?? newId()}`, { name: draft.name.trim(), parentId, isClosed })
    emit('changed')
    emit('close')
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <BModal
    :model-value="unit !== null"
    :title="unit?.id === undefined ? 'New unit' : (unit.name ?? '')"
    ok-title="Save"
    cancel-title="Leave it"
    :ok-disabled="busy || draft.name.trim() === ''"
    @ok.prevent="keep(unit?.isClosed ?? false)"
    @hidden="emit('close')"
  >
    <form v-if="unit" class="form" @submit.prevent="keep(unit.isClosed ?? false)">
      <label for="unit-name">Name</label>
      <BFormInput id="unit-name" v-model="draft.name" maxlength="80" autocomplete="off" autofocus />
      <label for="unit-parent">A part of</label>
      <BFormSelect id="unit-parent" v-model="draft.parentId" :options="parents" />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div v-if="unit.id !== undefined">
        <p class="quiet">
          {{
            unit.isClosed
              ? 'Closed: it is offered to nobody, and keeps the people and days it has.'
              : 'A closed unit is offered to nobody any more, and keeps the people and days it has.'
          }}
        </p>
        <BButton v-if="unit.isClosed" variant="quiet" :disabled="busy" @click="keep(false)">Open it again</BButton>
        <BButton v-else variant="quiet" :disabled="busy" @click="keep(true)">Close the unit</BButton>
      </div>
    </form>
  </BModal>
</template>

<style scoped>
.form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 650;
  margin-top: 8px;
}
</style>
