import { parentPort, workerData } from 'node:worker_threads'
import { type PlanAsked, searchedPlan } from '../services/weeks/search-plan.ts'

// One search, then it ends: see `worker.ts`.
parentPort!.postMessage(searchedPlan(workerData as PlanAsked))
