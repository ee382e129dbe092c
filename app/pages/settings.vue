<script setup lang="ts">
import { SETTINGS, TAX_FORM } from '../../words/en'
import { $fetch } from 'ofetch'
import { reactive, ref } from 'vue'
import { NO_TAX } from '../../core/money'
import { LANGUAGES, type Workshop } from '../../core/record'
import { languageName } from '../../words/languages'
import ChoiceRow from '../components/parts/ChoiceRow.vue'
import FaultNote from '../components/parts/FaultNote.vue'
import Field from '../components/parts/Field.vue'
import ErasureLedger from '../components/access/ErasureLedger.vue'
import CardLinks from '../components/measure/CardLinks.vue'
import MailPanel from '../components/access/MailPanel.vue'
import WholeWorkshop from '../components/access/WholeWorkshop.vue'
import TaxFields from '../components/access/TaxFields.vue'
import LogoField from '../components/access/LogoField.vue'
import PageFrame from '../components/parts/PageFrame.vue'
import Panel from '../components/parts/Panel.vue'
import { useAttempt } from '../composables/useAttempt'
import { useWorkshop } from '../composables/useWorkshop'
import { keepUnits } from '../units'

/** What stands for the workshop on its pages and papers. */
const workshop = useWorkshop()
const { data, error, refresh } = await useFetch<Workshop>('/api/workshop')
useHead({ title: SETTINGS.settingsUmbrette })

const form = reactive<Workshop>({
  name: '',
  address: '',
  taxNumber: '',
  foot: '',
  units: { length: 'mm', distance: 'km', torque: 'N·m' },
  timeZone: 'UTC',
  currency: 'EUR',
  tax: NO_TAX,
  language: 'en',
  ...(data.value ? { ...data.value, units: { ...data.value.units } } : {})
})
const ZONES = Intl.supportedValuesOf('timeZone')
const MONEY = Intl.supportedValuesOf('currency')
const { faults, problem, attempt } = useAttempt()
const saved = ref(false)

async function save() {
  saved.value = false
  saved.value = await attempt(async () => {
    workshop.value = await $fetch<Workshop>('/api/workshop', { method: 'POST', body: form })
    keepUnits(workshop.value.units)
  })
}
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <h1 class="mb-3 text-2xl font-bold">{{ SETTINGS.settings }}</h1>
    <form class="grid grid-cols-2 gap-6 max-lg:grid-cols-1" novalidate @submit.prevent="save">
      <Panel :title="SETTINGS.onPapers">
        <p class="text-note text-faint">{{ SETTINGS.onPapersSays }}</p>
        <Field v-model="form.name" :label="SETTINGS.name" maxlength="80" class="mt-3" :fault="faults.name" />
        <Field
          v-model="form.address"
          :label="SETTINGS.address"
          :rows="3"
          maxlength="400"
          class="mt-3"
          :fault="faults.address" />
        <Field
          v-model="form.taxNumber"
          :label="SETTINGS.taxNumber"
          maxlength="60"
          class="mt-3"
          :fault="faults.taxNumber" />
        <LogoField class="mt-3" />
        <Field
          v-model="form.foot"
          :label="SETTINGS.foot"
          :rows="4"
          maxlength="800"
          class="mt-3"
          :hint="SETTINGS.footHint"
          :fault="faults.foot" />
      </Panel>
      <div class="space-y-6">
        <Panel :title="SETTINGS.onDevices">
          <p class="text-note text-faint">{{ SETTINGS.onDevicesSays }}</p>
          <ChoiceRow
            v-model="form.units.length"
            :label="SETTINGS.lengths"
            :options="SETTINGS.lengthUnits"
            class="mt-3" />
          <ChoiceRow
            v-model="form.units.distance"
            :label="SETTINGS.usage"
            :options="SETTINGS.usageUnits"
            class="mt-3" />
          <ChoiceRow
            v-model="form.units.torque"
            :label="SETTINGS.torques"
            :options="SETTINGS.torqueUnits"
            class="mt-3" />
          <Field :label="SETTINGS.language" class="mt-3" :fault="faults.language" :hint="SETTINGS.languageHint">
            <template #default="{ control }">
              <select v-model="form.language" v-bind="control">
                <option v-for="one in LANGUAGES" :key="one" :value="one" :lang="one">{{ languageName(one) }}</option>
              </select>
            </template>
          </Field>
          <Field :label="SETTINGS.timeZone" class="mt-3" :fault="faults.timeZone" :hint="SETTINGS.timeZoneHint">
            <template #default="{ control }">
              <select v-model="form.timeZone" v-bind="control">
                <option v-if="!ZONES.includes(form.timeZone)" :value="form.timeZone">{{ form.timeZone }}</option>
                <option v-for="zone in ZONES" :key="zone" :value="zone">{{ zone }}</option>
              </select>
            </template>
          </Field>
        </Panel>
        <Panel :title="TAX_FORM.title">
          <p class="text-note text-faint">{{ TAX_FORM.says }}</p>
          <Field :label="SETTINGS.currency" class="mt-3" :fault="faults.currency" :hint="SETTINGS.currencyHint">
            <template #default="{ control }">
              <select v-model="form.currency" v-bind="control">
                <option v-if="!MONEY.includes(form.currency)" :value="form.currency">{{ form.currency }}</option>
                <option v-for="code in MONEY" :key="code" :value="code">{{ code }}</option>
              </select>
            </template>
          </Field>
          <TaxFields v-model="form.tax" class="mt-3" :faults="faults" />
        </Panel>
        <Panel :title="SETTINGS.scaleCard">
          <p class="text-note text-faint">{{ SETTINGS.scaleCardSays }}</p>
          <CardLinks class="mt-2" />
        </Panel>
      </div>
      <div class="col-span-full flex items-center gap-4">
        <button type="submit" class="act-main">{{ SETTINGS.save }}</button>
        <p v-if="saved" role="status" data-testid="settings-saved">{{ SETTINGS.saved }}</p>
        <FaultNote v-if="problem">{{ problem }}</FaultNote>
      </div>
    </form>
    <MailPanel class="mt-6" />
    <WholeWorkshop class="mt-6" />
    <ErasureLedger class="mt-6" />
  </PageFrame>
</template>
