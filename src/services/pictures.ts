import { type ChildProcess, fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'

/** A picture turned upright, made smaller and written anew. */
export interface Redrawn {
  data: Buffer
  width: number
  height: number
}

/** As it is kept, as a device takes it along to be looked at, or as it stands at the head of a paper. */
export type PictureSize = 'kept' | 'small' | 'logo'

/** One picture may take so long, ms; then its process is ended and it is no picture. */
const mostMs = 10_000
/** A process that had nothing to do for so long is let go, with all the memory it took. */
const idleMs = 30_000

let child: ChildProcess | null = null
let idle: NodeJS.Timeout | undefined

function start(): ChildProcess {
  const source = fileURLToPath(new URL('../server/picture-child.ts', import.meta.url))
  const built = process.env.EVENSHOT_PICTURE_CHILD
  const started = fork(built ?? source, {
    serialization: 'advanced',
    execArgv: built ? [] : ['--import', 'tsx'],
    // It needs nothing of what the server knows.
    env: { PATH: process.env.PATH },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  started.once('exit', () => {
    if (child === started) child = null
  })
  // It could not be started, or was gone before it was asked: its end says so.
  started.on('error', () => started.kill('SIGKILL'))
  started.unref()
  started.channel?.unref()
  return started
}

/** So many wait in each process that serves; one at a time is worked on. */
const waiting: (() => void)[] = []
let working = false

async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  // Whoever waits is handed the place of the one that ends: nobody who comes later slips in between.
  if (working) await new Promise<void>((resolve) => waiting.push(resolve))
  working = true
  try {
    return await work()
  } finally {
    const next = waiting.shift()
    if (next) next()
    else working = false
  }
}

/**
 * Draws a picture anew in a process of its own, one at a time.
 * @returns null where the bytes are no picture, took too long to open, or ended two processes
 */
export const redrawn = (bytes: Uint8Array, size: PictureSize = 'kept'): Promise<Redrawn | null> =>
  inTurn(async () => {
    const once = await draw(bytes, size)
    const made = once === 'ended' ? await draw(bytes, size) : once
    return made === 'ended' ? null : made
  })

/** @returns 'ended' where the process ended over it by itself: by this picture, or by something else */
function draw(bytes: Uint8Array, size: PictureSize): Promise<Redrawn | null | 'ended'> {
  clearTimeout(idle)
  child ??= start()
  const drawing = child
  const letGo = (signal?: 'SIGKILL') => {
    // Nobody sends anything to one that is on its way out.
    if (child === drawing) child = null
    drawing.kill(signal)
  }
  return new Promise((resolve) => {
    const done = (answer: Redrawn | null | 'ended') => {
      clearTimeout(late)
      drawing.off('message', onMessage)
      drawing.off('exit', onExit)
      idle = setTimeout(letGo, idleMs).unref()
      resolve(answer)
    }
    const onMessage = (answer: unknown) => {
      const made = answer as { data: Uint8Array; width: number; height: number } | null
      done(made && { ...made, data: Buffer.from(made.data) })
    }
    const onExit = () => done('ended')
    const late = setTimeout(() => {
      done(null)
      letGo('SIGKILL')
    }, mostMs)
    drawing.once('message', onMessage)
    drawing.once('exit', onExit)
    drawing.send({ bytes, size })
  })
}
