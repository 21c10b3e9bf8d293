import { aside } from './steps-aside'

export const lift = aside('lift')
