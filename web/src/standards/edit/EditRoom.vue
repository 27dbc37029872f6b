<script setup lang="ts">
/** Opens the editor on a draft. */
import { useVersion } from '../useVersion.ts'
import DraftEditor from './DraftEditor.vue'

const { detail, id, version } = useVersion()
</script>

<template>
  <DraftEditor
    v-if="detail?.revision"
    :standard-id="id()"
    :version="version()"
    :content="detail.content"
    :revision="detail.revision"
  />
  <main v-else class="room">
    <p>This version is published and never changes. Write a new version to change something.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'standard' }">Read it</RouterLink>
  </main>
</template>
