/** Everything that is said in English to those who are signed in. */
export { EN as FINDINGS } from './index'
export { ROOMS } from './rooms'
