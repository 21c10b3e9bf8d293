/** Worker thread that measures stretches of a WAV file that lies in shared memory, beside the thread that started it. */
import { parentPort, workerData } from 'node:worker_threads'
import { measureStretches, type SharedMeasurement } from './measure-stretches'

measureStretches(workerData as SharedMeasurement)
parentPort?.postMessage('done')
