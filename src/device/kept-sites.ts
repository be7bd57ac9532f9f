import { shelf } from './shelf.ts'

interface KeptSites {
  ids: string[]
}

const sites = shelf<KeptSites>({
  name: 'kept-sites',
  version: 1,
  schema: async () => {
    const { array, object, string } = await import('yup')
    return object({ ids: array(string().defined()).defined() })
  },
})
const device = 'device'

/** Places that somebody keeps on this device by hand, whatever the day is. */
export const keptSites = async (): Promise<string[]> => (await sites.read(device)).value?.ids ?? []

/** Keeps a place here, or no longer. */
export async function keepSite(id: string, keeps: boolean): Promise<void> {
  const others = (await keptSites()).filter((one) => one !== id)
  await sites.keep(device, { ids: keeps ? [...others, id] : others })
}
