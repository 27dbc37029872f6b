<script setup lang="ts">
/** The key days are signed with here, and keys of sister organisations whose signatures are believed. */
import { KeysAnswer } from '@able-gauge/core'
import { BButton, BFormInput, BFormTextarea } from 'bootstrap-vue-next'
import { onMounted, ref } from 'vue'
import { call, inWords, tell } from '../api.ts'

const keys = ref<KeysAnswer | null>(null)
const name = ref('')
const key = ref('')
const problem = ref('')

const read = async (): Promise<void> => {
  try {
    keys.value = await call('GET', '/keys', KeysAnswer)
  } catch (error) {
    problem.value = inWords(error)
  }
}
onMounted(read)

const add = async (): Promise<void> => {
  problem.value = ''
  try {
    await tell('POST', '/keys', { key: key.value, name: name.value.trim() })
    name.value = key.value = ''
    await read()
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <section class="sheet keys" aria-labelledby="keys">
    <h2 id="keys">Keys that are believed</h2>
    <p class="quiet">
      Days are signed here with the key <span class="figures">{{ keys?.own.fingerprint }}</span>. A day read in from a
      sister organisation is proven only when its key is in this list: compare the fingerprint with them before you add
      it.
    </p>
    <ul v-if="keys && keys.trusted.length > 0">
      <li v-for="one in keys.trusted" :key="one.fingerprint">
        <strong>{{ one.name }}</strong> <span class="figures">{{ one.fingerprint }}</span>
        <small class="quiet">added by {{ one.by }}</small>
      </li>
    </ul>
    <form @submit.prevent="add">
      <label for="key-name">Whose key</label>
      <BFormInput id="key-name" v-model="name" maxlength="120" required />
      <label for="key-text">Their public key, as they saved it</label>
      <BFormTextarea id="key-text" v-model="key" class="figures" rows="3" maxlength="400" required />
      <BButton type="submit" variant="quiet">Believe this key</BButton>
    </form>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.keys {
  padding: 18px 20px;
  margin-top: 16px;
}
ul {
  list-style: none;
  margin: 10px 0;
  padding: 0;
}
li {
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
form {
  display: grid;
  gap: 8px;
  max-width: 560px;
  justify-items: start;
}
</style>
