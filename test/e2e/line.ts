import { type AddressInfo, connect, createServer, type Socket } from 'node:net'

/** A line to the server that can be cut: what goes over it breaks off in the middle, and nothing new comes through. */
export interface Line {
  url: string
  cut(): void
  mend(): void
  /** Lets requests through and cuts each answer off but what time it is: what was asked is done, and nobody is told. */
  swallowAnswers(): void
  close(): Promise<void>
}

/** @param port - of the server on this machine */
export async function lineTo(port: number): Promise<Line> {
  let state: 'whole' | 'cut' | 'swallows' = 'whole'
  const open = new Set<Socket>()
  const keep = (socket: Socket) => {
    open.add(socket)
    socket.on('close', () => open.delete(socket))
    socket.on('error', () => socket.destroy())
  }
  const server = createServer((from) => {
    keep(from)
    if (state === 'cut') return from.destroy()
    const to = connect(port, '127.0.0.1')
    keep(to)
    from.pipe(to)
    let isClock = false
    from.on('data', (data) => {
      isClock = data.toString('latin1', 0, 14) === 'GET /api/clock'
    })
    to.on('data', (data) => {
      if (state === 'whole' || (state === 'swallows' && isClock)) from.write(data)
      else from.destroy()
    })
    from.on('close', () => to.end())
    to.on('close', () => from.end())
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const breakAll = () => {
    for (const socket of open) socket.destroy()
  }
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cut() {
      state = 'cut'
      breakAll()
    },
    mend() {
      state = 'whole'
      breakAll()
    },
    swallowAnswers() {
      state = 'swallows'
    },
    close() {
      breakAll()
      return new Promise((resolve) => server.close(() => resolve()))
    },
  }
}
