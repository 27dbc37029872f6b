<script setup lang="ts">
/** Where the time of one of several stands against the cut. */
import type { Cut } from '@able-gauge/core'
import Gauge from '../../ui/Gauge.vue'
import { useElapsed, type Span } from './useElapsed.ts'

const props = defineProps<{ span: Span; cut: Cut }>()
const elapsedMs = useElapsed(() => props.span)
</script>

<template>
  <Gauge :cut="cut" :value="elapsedMs" />
</template>
