<script setup lang="ts" generic="T extends { code: string; name: string; signIn: string; password: string }">
/** Who somebody is, and how they sign in from now on: what joining a class and the first start ask for. */
import PasswordField from '../../ui/fields/PasswordField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'

defineProps<{
  /** What the code is called here. */
  code: string
  codeHint?: string
  fault: (field: 'code' | 'name' | 'signIn' | 'password') => string | null
}>()
const form = defineModel<T>({ required: true })
</script>

<template>
  <TextField
    v-model="form.code"
    :label="code"
    :hint="codeHint"
    autocomplete="off"
    autocapitalize="characters"
    :fault="fault('code')"
  />
  <TextField v-model="form.name" :label="t('door.your-name')" autocomplete="name" :fault="fault('name')" />
  <TextField
    v-model="form.signIn"
    :label="t('door.join.sign-in')"
    :hint="t('door.join.sign-in.hint')"
    autocomplete="username"
    autocapitalize="off"
    :fault="fault('signIn')"
  />
  <PasswordField
    v-model="form.password"
    :label="t('door.new-password')"
    :hint="t('door.new-password.hint')"
    kind="new-password"
    :fault="fault('password')"
  />
</template>
