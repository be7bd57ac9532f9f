import { startApplication, stopApplication } from './server-control.ts'

/** Once before all: the real application with its own cluster and the demo world; stopped after all. */
export default async function start(): Promise<() => Promise<void>> {
  await startApplication()
  return () => stopApplication()
}
