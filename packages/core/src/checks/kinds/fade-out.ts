import { fade } from './fades'

export const fadeOut = fade('out')
