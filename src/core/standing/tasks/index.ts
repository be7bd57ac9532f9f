import type { Histories } from '../histories.ts'
import { certificate } from './certificate.ts'
import { changeCartridge } from './change-cartridge.ts'
import { changeMembrane } from './change-membrane.ts'
import { changePrefilter } from './change-prefilter.ts'
import { descale } from './descale.ts'
import { exchangerPartTasks } from './exchanger-parts.ts'
import { firstLook } from './first-look.ts'
import { freshenBoiler } from './freshen-boiler.ts'
import { outletTest } from './outlet-test.ts'
import type { MachineTask, RaisedTask, SoftenerTask, TaskToWrite } from './raised-task.ts'
import { regenerate } from './regenerate.ts'
import { release } from './release.ts'
import { restart } from './restart.ts'
import { salt } from './salt.ts'

/** Tasks of a softener that the reckoning raises by itself, in the order its standings are listed in. */
export const softenerTasks: SoftenerTask[] = [
  regenerate,
  salt,
  changeCartridge,
  changeMembrane,
  changePrefilter,
  outletTest,
  ...exchangerPartTasks,
]

/** The same of a machine. Apart: a page that reckons a machine carries no softener. */
export const machineTasks: MachineTask[] = [firstLook, descale, freshenBoiler, restart, certificate, release]

export const raisedTasks: RaisedTask[] = [...softenerTasks, ...machineTasks]

/** What ticking each of them writes. */
export const tasksToWrite = (histories: Histories): TaskToWrite[] =>
  raisedTasks.flatMap(({ id, about, written }) => (written ? [{ id, about, ...written(histories) }] : []))
