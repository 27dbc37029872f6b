<script setup lang="ts">
/** The person something is tried for. */
import { BFormInput, BFormSelect } from 'bootstrap-vue-next'
import type { Standard } from '@able-gauge/core'

defineProps<{
  /** Edited in place. */
  person: { age: string; category: string; role: string; bodyMass: string }
  standard: Standard
  ageProblem: string
  massProblem: string
}>()
</script>

<template>
  <!-- eslint-disable vue/no-mutating-props -- one form over one object that its owner keeps -->
  <section class="sheet form" aria-label="The person">
    <div>
      <label for="try-age">Age in years</label>
      <BFormInput
        id="try-age"
        v-model="person.age"
        class="figures"
        inputmode="numeric"
        :aria-invalid="ageProblem ? true : undefined"
        aria-describedby="try-age-said"
      />
      <small id="try-age-said" class="said">{{ ageProblem }}</small>
    </div>
    <div>
      <label for="try-category">Scoring category</label>
      <BFormSelect id="try-category" v-model="person.category">
        <option v-for="{ id, name } in standard.categories" :key="id" :value="id">{{ name }}</option>
      </BFormSelect>
    </div>
    <div v-if="standard.roles?.length">
      <label for="try-role">Role</label>
      <BFormSelect id="try-role" v-model="person.role">
        <option value="">None</option>
        <option v-for="{ id, name } in standard.roles" :key="id" :value="id">{{ name }}</option>
      </BFormSelect>
    </div>
    <div>
      <label for="try-mass">Body mass in kg</label>
      <BFormInput
        id="try-mass"
        v-model="person.bodyMass"
        class="figures"
        inputmode="decimal"
        placeholder="71.5"
        :aria-invalid="massProblem ? true : undefined"
        aria-describedby="try-mass-said"
      />
      <small id="try-mass-said" class="said">{{ massProblem }}</small>
    </div>
  </section>
</template>

<style scoped>
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 20px;
  padding: 14px 18px 8px;
}
.form > div {
  flex: 0 1 200px;
}
label {
  font-weight: 650;
}
.said {
  color: var(--short);
  min-height: 1.3em;
  display: block;
}
@media (max-width: 700px) {
  .form > div {
    flex: 1 1 42%;
  }
}
</style>
