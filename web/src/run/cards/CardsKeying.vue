<script setup lang="ts">
/** Cards of one event: keyed once, keyed again without seeing the first, differences settled from the card, put on record. */
import type { StandardEvent } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { fullName, type Day } from '../../day/day.ts'
import { useSession } from '../../session/sessionStore.ts'
import { dateAndTime } from '../../ui/localTime.ts'
import { cellKey, useCards } from './useCards.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
}>()

const session = useSession()
const cards = useCards(() => props.day, props.event)
const { rows, keyings, isSecond, pair, typed, wrong, settled, unsettled, recorded, writing, problem } = cards
const mayKey = computed(() => session.can('log.cardsKeyed') && !props.day.occasion.signedOff)
const mayRecord = computed(() => session.can('capture') && !props.day.occasion.signedOff)
const bibOf = (entryId: string): string => String(props.day.entries.find(({ id }) => id === entryId)?.bib ?? 'no bib')
</script>

<template>
  <section v-if="pair" class="sheet part">
    <h2>{{ event.name }}: two keyings</h2>
    <p class="quiet">
      {{ pair.first.actor }}, {{ dateAndTime(pair.first.atMs, day.occasion.zone) }}, and {{ pair.second.actor }},
      {{ dateAndTime(pair.second.atMs, day.occasion.zone) }}.
    </p>
    <p v-if="pair.differences.length === 0">Both are the same, figure for figure.</p>
    <table v-else class="table">
      <thead>
        <tr>
          <th scope="col">Bib</th>
          <th scope="col">Figure</th>
          <th scope="col">First</th>
          <th scope="col">Second</th>
          <th scope="col">On the card</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in pair.differences" :key="cellKey(one.entryId, one.slot)">
          <td class="figures">{{ bibOf(one.entryId) }}</td>
          <td>{{ cards.slotOf(one.entryId, one.slot)?.label }}</td>
          <td class="figures">{{ cards.show(one.entryId, one.slot, one.first) }}</td>
          <td class="figures">{{ cards.show(one.entryId, one.slot, one.second) }}</td>
          <td>
            <BFormInput
              :model-value="settled[cellKey(one.entryId, one.slot)] ?? ''"
              class="figures"
              :aria-label="`On the card of bib ${bibOf(one.entryId)}: ${cards.slotOf(one.entryId, one.slot)?.label}`"
              @update:model-value="(text) => (settled[cellKey(one.entryId, one.slot)] = String(text ?? ''))"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="recorded > 0" role="status">{{ recorded }} figures were put on record.</p>
    <BButton v-if="mayRecord" variant="primary" :disabled="unsettled > 0" @click="cards.putOnRecord">
      {{ unsettled > 0 ? `${unsettled} to read off the cards again` : 'Put the figures on record' }}
    </BButton>
    <p v-else class="quiet">A grader, a timer or the officer in charge puts the figures on record.</p>
  </section>
  <section v-if="mayKey" class="sheet part">
    <h2>
      {{ event.name }}:
      {{ keyings.length === 0 ? 'first keying' : isSecond ? 'second keying' : 'key the cards once more' }}
    </h2>
    <p class="quiet">
      {{
        isSecond
          ? `${keyings[0]?.actor} has keyed these cards. Key them again, better by somebody else; what was keyed first is not shown.`
          : 'Key every card as it stands, then a second time. Where the two part, the card is read again. Leave a field empty where the card is.'
      }}
      Somebody who stopped is entered in the console, under "from a card".
    </p>
    <form @submit.prevent="cards.keep">
      <div v-for="{ entry, slots } in rows" :key="entry.id" class="row-of-card">
        <strong class="figures">{{ entry.bib ?? '–' }}</strong>
        <span class="name">{{ fullName(entry) }}</span>
        <label v-for="slot in slots" :key="slot.id"
          >{{ slot.label }}
          <BFormInput
            :model-value="typed[cellKey(entry.id, slot.id)] ?? ''"
            class="figures"
            autocomplete="off"
            :aria-label="`Bib ${entry.bib ?? 'none'}: ${slot.label}`"
            @update:model-value="(text) => (typed[cellKey(entry.id, slot.id)] = String(text ?? ''))"
        /></label>
      </div>
      <ul v-if="wrong.length > 0" class="problem" role="alert">
        <li v-for="{ place, reason } in wrong" :key="place">{{ place }}: {{ reason }}</li>
      </ul>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <BButton type="submit" :variant="pair ? 'quiet' : 'primary'" :disabled="writing">
        {{ isSecond ? 'Keep the second keying' : 'Keep this keying' }}
      </BButton>
    </form>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 16px;
}
.row-of-card {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: end;
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
.row-of-card strong {
  width: 44px;
  font-size: 1.125rem;
}
.name {
  width: 190px;
}
label {
  font-size: 0.8125rem;
  color: var(--ink-2);
}
label .form-control {
  width: 110px;
}
td .form-control {
  width: 120px;
}
form > .btn {
  margin-top: 12px;
}
</style>
