import { useEffect, useState } from 'react'
import { keepSite, keptSites } from '../../device/kept-sites.ts'

/** Keeps a place with its machines on this device, whatever the day is; nothing where a browser keeps no pages. */
export function KeepHere({ siteId }: { siteId: string }) {
  const [keeps, setKeeps] = useState<boolean | null>(null)
  useEffect(() => {
    if (!('serviceWorker' in navigator) || !window.isSecureContext) return
    void keptSites().then((ids) => setKeeps(ids.includes(siteId)))
  }, [siteId])
  if (keeps === null) return null
  const change = async () => {
    setKeeps(!keeps)
    await keepSite(siteId, !keeps)
    if (keeps) return
    const { packUp } = await import('../../device/pack-up.ts')
    await packUp({ now: Date.now(), keptSites: await keptSites() }).catch(() => null)
  }
  return (
    <label className="mt-1 flex min-h-[32px] items-center gap-2 text-[14px] max-md:min-h-[44px]">
      <input type="checkbox" className="h-5 w-5" checked={keeps} onChange={() => void change()} />
      Keep this site on this device: it opens without network
    </label>
  )
}
