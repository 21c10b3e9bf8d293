/** Before each file: a property that fails says so in the end, however long a smaller example of it is looked for. */
import fc from 'fast-check'

fc.configureGlobal({ interruptAfterTimeLimit: 120_000, markInterruptAsFailure: true })
