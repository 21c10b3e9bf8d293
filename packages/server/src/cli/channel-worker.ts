/** Worker thread that measures one channel of a WAV file that lies in shared memory. */
import { parentPort, workerData } from 'node:worker_threads'
import { measureChannel, type ChannelTask } from './measure-channel'

parentPort?.postMessage(measureChannel(workerData as ChannelTask))
