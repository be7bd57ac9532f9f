import type { Test } from '../../../faults/fault.ts'
import { c2OpenedTests } from './fault-tests-opened.ts'
import { c2RunningTests } from './fault-tests-running.ts'

/** What can be tried on it, with what each outcome says of its faults. */
export const c2Tests: Test[] = [...c2RunningTests, ...c2OpenedTests]
