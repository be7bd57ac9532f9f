import { c2Faults } from '../trade/machines/commercial-two-group/faults.ts'
import { dgFaults } from '../trade/machines/domestic-built-in-grinder/faults.ts'
import { dvFaults } from '../trade/machines/domestic-three-way-valve/faults.ts'
import { dnFaults } from '../trade/machines/domestic-without-valve/faults.ts'
import { plFaults } from '../trade/machines/pod-loading-lever/faults.ts'
import { pkFaults } from '../trade/machines/pod-locking-head/faults.ts'
import { lvFaults } from '../trade/machines/prosumer-lever-group/faults.ts'
import { ptFaults } from '../trade/machines/prosumer-touch-menu/faults.ts'
import { pdFaults } from '../trade/machines/pump-latte-machine/faults.ts'
import { grFaults } from '../trade/machines/stand-alone-grinder/faults.ts'
import { stFaults } from '../trade/machines/super-automatic-fixed-unit/faults.ts'
import { spFaults } from '../trade/machines/super-automatic-motor-group/faults.ts'
import { srFaults } from '../trade/machines/super-automatic-removable-unit/faults.ts'
import { btFaults } from '../trade/machines/thermoblock-bean-to-cup/faults.ts'
import type { FaultBook } from './fault.ts'
import { withFirstShares } from './first-shares.ts'

/** What is known of each kind's faults, by kind. */
export const faultBooks: FaultBook[] = [
  c2Faults,
  lvFaults,
  ptFaults,
  dvFaults,
  dnFaults,
  dgFaults,
  btFaults,
  srFaults,
  stFaults,
  spFaults,
  pkFaults,
  plFaults,
  pdFaults,
  grFaults,
].map(withFirstShares)

/** @returns null where no faults of a kind are written yet */
export const bookOf = (kind: string): FaultBook | null => faultBooks.find((book) => book.kind === kind) ?? null
