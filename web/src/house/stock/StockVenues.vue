<script setup lang="ts">
/** Venues, each with the ground that was measured there. */
import { GROUND_SHAPES, type Venue } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { GROUND_SHAPE_WORDS } from '../../ui/groundWords.ts'
import LengthField from './LengthField.vue'

const venues = defineModel<Venue[]>({ required: true })
const shapes = GROUND_SHAPES.map((value) => ({ value, text: GROUND_SHAPE_WORDS[value] }))
const add = (): void => {
  venues.value.push({ name: '', zone: Intl.DateTimeFormat().resolvedOptions().timeZone, grounds: [] })
}
</script>

<template>
  <section class="sheet part">
    <h2>Venues</h2>
    <p v-if="venues.length === 0" class="quiet">
      None yet. A venue brings its time zone and the ground that was measured there to every day held at it.
    </p>
    <article v-for="(venue, index) in venues" :key="index" class="venue">
      <div class="line">
        <label class="wide"><span>Name</span> <BFormInput v-model="venue.name" maxlength="120" required /></label>
        <label><span>Time zone</span> <BFormInput v-model="venue.zone" maxlength="60" required /></label>
        <BButton
          variant="quiet"
          size="sm"
          :aria-label="`Remove ${venue.name || 'the venue'}`"
          @click="venues.splice(index, 1)"
          >Remove</BButton
        >
      </div>
      <div v-for="(ground, at) in venue.grounds" :key="at" class="line ground" :class="{ again: at > 0 }">
        <label class="wide"
          ><span>Measured ground</span>
          <BFormInput v-model="ground.name" maxlength="80" required placeholder="what it is called there"
        /></label>
        <label><span>Laid out as</span> <BFormSelect v-model="ground.shape" :options="shapes" /></label>
        <LengthField v-model="ground.lengthMm" :shape="ground.shape" />
        <label><span>Surface</span> <BFormInput v-model="ground.surface" maxlength="120" /></label>
        <BButton
          variant="quiet"
          size="sm"
          :aria-label="`Remove ${ground.name || 'the ground'}`"
          @click="venue.grounds.splice(at, 1)"
          >Remove</BButton
        >
      </div>
      <BButton
        variant="quiet"
        size="sm"
        @click="venue.grounds.push({ name: '', shape: 'loop', lengthMm: 400_000, surface: '' })"
        >Add measured ground</BButton
      >
    </article>
    <BButton variant="quiet" size="sm" @click="add">New venue</BButton>
  </section>
</template>

<style scoped src="./stock.css"></style>
<style scoped>
.venue {
  border-top: 1px solid var(--line);
  padding: 10px 0;
}
.ground {
  padding-left: 22px;
}
</style>
