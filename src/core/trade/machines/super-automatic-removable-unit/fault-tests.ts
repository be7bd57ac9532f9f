import type { Test } from '../../../faults/fault.ts'
import { srOpenedTests } from './fault-tests-opened.ts'
import { srRunningTests } from './fault-tests-running.ts'

/** What can be tried on it, with what each outcome says of its faults. */
export const srTests: Test[] = [...srRunningTests, ...srOpenedTests]
