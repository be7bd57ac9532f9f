import type { Test } from '../fault.ts'
import { c2OpenedTests } from './c2-opened-tests.ts'
import { c2RunningTests } from './c2-running-tests.ts'

/** What can be tried on it, with what each outcome says of its faults. */
export const c2Tests: Test[] = [...c2RunningTests, ...c2OpenedTests]
