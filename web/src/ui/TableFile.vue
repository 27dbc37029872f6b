<script setup lang="ts">
/** A file with a table: chosen, read, and read again in another encoding where letters came out broken. */
import { ENCODINGS, type TextEncoding } from '@able-gauge/core'
import { BFormFile, BFormSelect } from 'bootstrap-vue-next'
import { shallowRef, watch } from 'vue'
import { NoTable, readTable, type Table } from './readTable.ts'

defineProps<{ id: string; label: string }>()
const emit = defineEmits<{ problem: [words: string] }>()
const table = defineModel<(Table & { readonly name: string }) | null>({ required: true })

const file = shallowRef<File | null>(null)
const encodings = Object.entries(ENCODINGS).map(([value, text]) => ({ value, text }))

const read = async (encoding?: TextEncoding): Promise<void> => {
  const chosen = file.value
  emit('problem', '')
  table.value = null
  if (!chosen) return
  try {
    table.value = { ...(await readTable(chosen, encoding)), name: chosen.name }
  } catch (error) {
    if (!(error instanceof NoTable)) throw error
    emit('problem', error.message)
  }
}
watch(file, () => read())
</script>

<template>
  <div class="file">
    <label class="form-label" :for="id">{{ label }}</label>
    <BFormFile
      :id="id"
      v-model="file"
      plain
      accept=".csv,.txt,.xlsx,text/csv,text/plain,application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
    />
    <label v-if="table?.encoding" class="encoding"
      ><span>Letters read as</span>
      <BFormSelect
        :model-value="table.encoding"
        :options="encodings"
        size="sm"
        @update:model-value="read($event as TextEncoding)"
      />
      <small class="quiet">choose another where letters came out wrong</small></label
    >
  </div>
</template>

<style scoped>
.file {
  margin-bottom: 12px;
}
.encoding {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-top: 8px;
}
.encoding .form-select {
  width: auto;
}
</style>
