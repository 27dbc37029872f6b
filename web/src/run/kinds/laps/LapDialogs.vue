<script setup lang="ts">
/** What comes up over the laps: somebody stops, a slip is put right, all keys. */
import type { Capture } from '@able-gauge/core'
import type { Day, Entry } from '../../../day/day.ts'
import { useSession } from '../../../session/sessionStore.ts'
import { dialogLater } from '../../../ui/partLater.ts'
import { waveTarget } from '../../console/slipTarget.ts'
import { LAP_HELP } from './lapHelp.ts'
import type { RunEvent, useLapConsole } from './useLapConsole.ts'

const KeyHelp = dialogLater(() => import('../../../ui/KeyHelp.vue'))
const PutRightDialog = dialogLater(() => import('../../console/PutRightDialog.vue'))
const StopDialog = dialogLater(() => import('../../console/StopDialog.vue'))
defineProps<{
  day: Day
  event: RunEvent
  lap: ReturnType<typeof useLapConsole>
  wave: number
  /** The starts of the wave that stand. */
  starts: readonly Capture[]
  /** Those who are still out. */
  out: readonly Entry[]
}>()
const stopping = defineModel<boolean>('stopping', { required: true })
const puttingRight = defineModel<boolean>('puttingRight', { required: true })
const helping = defineModel<boolean>('helping', { required: true })
const session = useSession()
</script>

<template>
  <StopDialog
    v-model="stopping"
    :event="event"
    :runners="stopping ? out : []"
    :may-disqualify="session.can('capture.asOfficer')"
    @stop="lap.stopRunner"
    @caution="lap.cautionRunner"
  />
  <PutRightDialog
    v-model="puttingRight"
    :day="day"
    :event-id="event.id"
    :targets="puttingRight ? [waveTarget(wave, starts, lap.begins())] : []"
    :others="[]"
  />
  <KeyHelp v-model="helping" :keys="LAP_HELP" />
</template>
