<script setup lang="ts">
import { computed } from 'vue'
import { type LanguageId, LANGUAGES } from '../../../core/record'
import { UNIT_PICKER } from '../../../words/en'
import { languageName } from '../../../words/languages'
import { useLanguage } from '../../composables/useLanguage'
import { chooseLanguage } from '../../language'
import Field from './Field.vue'

/** What this device is written in, each language by its own name. */
const language = useLanguage()
const chosen = computed({ get: () => language.value, set: (id: LanguageId) => chooseLanguage(id) })
</script>

<template>
  <Field :label="UNIT_PICKER.language">
    <template #default="{ control }">
      <select v-model="chosen" v-bind="control" data-testid="language">
        <option v-for="one in LANGUAGES" :key="one" :value="one" :lang="one">{{ languageName(one) }}</option>
      </select>
    </template>
  </Field>
</template>
