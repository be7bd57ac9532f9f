import { useEffect, useState } from 'react'
import { array, object, string } from 'yup'
import { shelf } from '../../../device/shelf.ts'

const loads = shelf<{ items: string[] }>({
  name: 'loaded',
  version: 1,
  schema: async () => object({ items: array(string().required()).required() }),
})

/** What of a day’s list lies in the van, ticked on this device. */
export function useLoaded(on: string, technicianId: string) {
  const of = `${on} ${technicianId}`
  const [loaded, setLoaded] = useState<ReadonlySet<string>>(new Set())
  useEffect(() => {
    setLoaded(new Set())
    void loads.read(of).then(({ value }) => value && setLoaded(new Set(value.items)))
  }, [of])
  const toggle = (id: string) => {
    const next = new Set(loaded)
    if (!next.delete(id)) next.add(id)
    setLoaded(next)
    void loads.keep(of, { items: [...next] })
  }
  return { loaded, toggle }
}
