/** Worker thread that measures one channel of a WAV file that lies in shared memory. */
export { measureChannel as default } from './measure-channel'
