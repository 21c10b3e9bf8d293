import { aside } from './steps-aside'

export const dip = aside('dip')
