import { useState } from 'react'
import { readPlace } from '../../core/files/place-link.ts'
import type { Coordinates } from '../../core/rounds/travel.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { SitePage } from '../../views/site-page.ts'
import { keep } from '../keep.ts'
import { typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

/** Where a site is: pasted from any map, or where this phone is now. */
export function PlaceSheet({ page, onClose }: { page: SitePage; onClose: () => void }) {
  const [says, setSays] = useState('')
  const keepPlace = async (place: Coordinates) => {
    const { id, version, ...record } = page.site
    const told = await keep('site', id, version, { ...record, ...place })
    if (told.ok) location.reload()
    return told
  }
  const here = () => {
    setSays('Asking this device where it is …')
    navigator.geolocation.getCurrentPosition(
      async ({ coords }) => {
        const round = (degrees: number) => Number(degrees.toFixed(6))
        const told = await keepPlace({ latitude: round(coords.latitude), longitude: round(coords.longitude) })
        setSays(told.ok ? '' : told.issues[0]!.message)
      },
      () => setSays('This device does not say where it is: allow it, or paste a link.'),
      { enableHighAccuracy: true, timeout: 20_000 },
    )
  }
  return (
    <Sheet open onOpenChange={onClose} title="Where it is" about="Roads between places are reckoned from it.">
      <SheetForm
        fields={[
          {
            id: 'place',
            label: 'Link of a map, geo: link, or latitude and longitude',
            hint: '44.5031, -31.2094',
            paths: ['latitude', 'longitude'],
          },
        ]}
        values={{
          place: page.site.latitude === undefined ? '' : `${page.site.latitude}, ${page.site.longitude}`,
        }}
        save="It is there"
        onCancel={onClose}
        onSave={async (values) => {
          const place = readPlace(typedText(values, 'place'))
          return place ? keepPlace(place) : wrongAt('place', 'has no latitude and longitude that can be read')
        }}
      />
      <p className="pt-2">
        <button type="button" className="plain" onClick={here}>
          Here, where I stand
        </button>{' '}
        <span role="status">{says}</span>
      </p>
    </Sheet>
  )
}
