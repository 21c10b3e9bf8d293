import { beforeAll, describe, expect, it } from 'vitest'
import { wrongTypesOf } from '../../test/small-project'

const GREETING = `<script setup lang="ts">
defineProps<{ name: string; loud?: boolean }>()
defineEmits<{ said: [times: number] }>()
</script>

<template><p><slot :length="name.length" /></p></template>
`
/** One line each: what stands there, and what is said of it. */
const WRONG = {
  'what a component must be given': ['<Greeting />', /name/],
  'of another kind': ['<Greeting :name="3" />', /number.*string/],
  'what the page does not know': ['<p>{{ nobody }}</p>', /nobody/],
  'a component that is not there': ['<Greting name="a" />', /Greting/],
  'what it tells for something else': ['<Greeting name="a" @said="(how: string) => how" />', /string/],
  'what a slot does not hand on': ['<Greeting v-slot="{ width }" name="a">{{ width }}</Greeting>', /width/],
} as const
const RIGHT = '<Greeting v-slot="{ length }" name="a" @said="(n: number) => n">{{ length }}</Greeting>'

const using = (what: string) =>
  `<script setup lang="ts">\nimport Greeting from './Greeting.vue'\n</script>\n\n<template>\n  ${what}\n</template>\n`

describe('the types of components', () => {
  let wrong: string[] = []
  beforeAll(async () => {
    const faulty = Object.values(WRONG).map(([what], i) => [`Wrong${i}.vue`, using(what)])
    wrong = await wrongTypesOf({
      'Greeting.vue': GREETING,
      'Right.vue': using(RIGHT),
      ...Object.fromEntries(faulty),
    })
  })

  it.each(Object.entries(WRONG).map(([name, [, fault]], i) => ({ name, fault, i })))(
    'say $name, where it stands',
    ({ fault, i }) => {
      const said = wrong.filter((line) => line.includes(`Wrong${i}.vue(6,`))
      expect(said).toHaveLength(1)
      expect(said[0]).toMatch(fault)
    },
  )

  it('say nothing of what is right', () => {
    expect(wrong.filter((line) => !line.includes('Wrong'))).toEqual([])
    expect(wrong).toHaveLength(Object.keys(WRONG).length)
  })
})
