import { fade } from './fades'

export const fadeIn = fade('in')
