<script setup lang="ts">
/** How phones and tablets come in: an address to scan, and the steps to work without a network as well. */
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import ConnectDevices from './ConnectDevices.vue'
import PlainBand from '../ui/PlainBand.vue'
import QrCode from '../ui/QrCode.vue'
import { useReach } from '../ui/useReach.ts'

const session = useSession()
const { field, plain, secure, isAlone } = useReach()
/** Over https this device believes the authority already. */
const isSecure = location.protocol === 'https:'
/** Which address the code leads to. */
const scheme = ref<'plain' | 'secure'>(isSecure ? 'secure' : 'plain')
const address = computed(() => (scheme.value === 'secure' ? secure('/connect') : plain('/connect')))

const PHONES = [
  {
    name: 'Android',
    steps: [
      'Download the authority below.',
      'Open Settings, search for "CA certificate", choose to install one all the same, and pick the file.',
      'Open the https address, and add the page to the home screen.',
    ],
  },
  {
    name: 'iPhone and iPad',
    steps: [
      'Download the authority below and allow the profile.',
      'Settings, General, VPN and device management: install the profile.',
      'Settings, General, About, Certificate trust settings: switch it on.',
      'Open the https address, and add the page to the home screen.',
    ],
  },
  {
    name: 'A laptop',
    steps: [
      'Download the authority below.',
      'In the settings of the browser, search for "certificates", open the authorities, and import the file for web sites.',
      'Open the https address.',
    ],
  },
] as const
const phone = ref<(typeof PHONES)[number]['name']>(PHONES[0].name)
const steps = computed(() => PHONES.find(({ name }) => name === phone.value)?.steps ?? [])
</script>

<template>
  <HouseBand v-if="session.account && !session.account.station" />
  <PlainBand v-else />
  <main class="room">
    <h1>Connect a device</h1>
    <p v-if="isAlone" class="alone" role="status">
      This program serves this machine alone. Start it with <code>npm start -- --field</code>, and phones on the same
      network reach it.
    </p>
    <div v-else class="columns">
      <section class="sheet part scan">
        <QrCode :text="address" label="Opens Able Gauge on the device that scans it" />
        <p class="address figures">{{ address }}</p>
        <p class="quiet">
          The device has to be on the same network. Whoever has a station code joins with it; everybody else signs in.
        </p>
        <div v-if="field" class="schemes" role="group" aria-label="Which address">
          <BButton variant="quiet" :aria-pressed="scheme === 'plain'" @click="scheme = 'plain'">At once (http)</BButton>
          <BButton variant="quiet" :aria-pressed="scheme === 'secure'" @click="scheme = 'secure'"
            >Prepared (https)</BButton
          >
        </div>
        <RouterLink v-if="!session.account" class="btn btn-primary" :to="{ name: 'signIn' }"
          >Sign in or join a station</RouterLink
        >
      </section>
      <section v-if="field" class="sheet part">
        <h2>Without a network as well</h2>
        <p v-if="isSecure">This device is prepared: what it has opened stays on it while the network is away.</p>
        <p v-else>
          Over http everything works while the network does, and what is captured is kept on the device until it is
          sent. To open the program again without a network, the device has to believe this machine's own small
          authority, once.
        </p>
        <label
          >Steps for
          <BFormSelect v-model="phone" :options="PHONES.map(({ name }) => ({ value: name, text: name }))" />
        </label>
        <ol>
          <li v-for="step in steps" :key="step">{{ step }}</li>
        </ol>
        <p>
          <a class="btn btn-quiet" href="/field/authority.crt" download="able-gauge-authority.crt"
            >Download the authority</a
          >
          <a v-if="!isSecure" class="btn btn-primary" :href="secure('/connect')">Open over https</a>
        </p>
        <p class="quiet">
          It vouches for this machine's names and for addresses of local networks, and for nothing else. Its
          fingerprint, which stands in the terminal as well: <span class="figures print">{{ field.fingerprint }}</span>
        </p>
      </section>
    </div>
    <ConnectDevices v-if="session.can('devices.watch')" />
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(260px, 1fr) minmax(0, 1.4fr);
  gap: 16px;
  align-items: start;
}
.part {
  padding: 18px 20px;
}
h1 {
  margin-bottom: 14px;
}
h2,
ol {
  margin-bottom: 10px;
}
ol {
  margin-top: 10px;
}
.scan {
  display: grid;
  gap: 12px;
  justify-items: center;
}
.scan :deep(.qr) {
  max-width: 340px;
}
.address {
  margin: 0;
  font-size: 1.125rem;
  overflow-wrap: anywhere;
}
.scan p {
  margin: 0;
  text-align: center;
}
.schemes {
  display: flex;
  gap: 8px;
}
.schemes [aria-pressed='true'] {
  border-color: var(--ink);
  box-shadow: inset 0 -4px 0 var(--vest);
}
.print {
  overflow-wrap: anywhere;
}
.part .btn + .btn {
  margin-left: 8px;
}
@media (max-width: 800px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
