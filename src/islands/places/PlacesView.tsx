import { useState } from 'react'
import { readGeoJson, readPlaceTable } from '../../core/files/place-lists.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { counted, figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { Places, PlacesPage } from '../../views/places-page.ts'
import { fromPage } from '../from-page.tsx'
import { readLines } from '../import/read-file.ts'
import { send } from '../keep.ts'
import { makeEntry } from '../make-entry.ts'
import { sendEntries } from '../send-entries.ts'
import { type Matched, matchPlaces } from './match-places.ts'

interface Props {
  page: PlacesPage
  firm: string
  today: string
}

const mostBytes = 5_000_000
/** Entries that go in one piece. */
const atOnce = 400
const mostNamed = 12

/** Where every site is, and what a file says of places and of the roads between them. */
function PlacesView({ page, firm, today }: Props) {
  const [matched, setMatched] = useState<Matched | null>(null)
  const [says, setSays] = useState('')
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const startless = page.technicians.filter(({ startKnown }) => !startKnown)
  const read = async (file: File) => {
    setSays('')
    setWrong('')
    setMatched(null)
    if (file.size > mostBytes) return setWrong(`${file.name} has more than 5 MB. Is it the right file?`)
    const bytes = new Uint8Array(await file.arrayBuffer())
    const text = new TextDecoder().decode(bytes).trimStart()
    const lines = text.startsWith('{') ? null : readLines(bytes)
    if (!text.startsWith('{') && !lines) return setWrong(`${file.name} is neither a CSV nor GeoJSON.`)
    const known = await fetchPlaces()
    if (!known) return setWrong('Your own sites could not be fetched: try again when there is a network.')
    setMatched(matchPlaces(lines ? readPlaceTable(lines) : readGeoJson(text), known))
  }
  const take = async () => {
    if (!matched) return
    setBusy(true)
    setWrong('')
    const fail = (message: string) => {
      setBusy(false)
      setWrong(message)
    }
    if (matched.places.length > 0) {
      const told = await send('PUT', '/api/places', {
        places: matched.places.map(({ siteId, place }) => ({ siteId, ...place })),
      })
      if (!told.ok) return fail(told.issues.map(({ message }) => message).join('; '))
    }
    const entries = matched.roads.map(({ fromId, toId, toName, minutes }) =>
      makeEntry('site', fromId, 'setting', { setting: 'road', toId, toName: toName.slice(0, 80), minutes }, today),
    )
    for (let from = 0; from < entries.length; from += atOnce) {
      if (entries.length > atOnce) setSays(`${figure(from)} of ${counted(entries.length, 'road')} kept …`)
      const told = await sendEntries(entries.slice(from, from + atOnce))
      if (!told.ok)
        return fail(told.why === 'refused' ? told.issues[0]!.message : 'message' in told ? told.message : 'Not kept.')
    }
    location.reload()
  }
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name="Places and roads"
        under={firm}
        facts={[
          { label: 'Sites', value: figure(page.count) },
          {
            label: 'Nobody said where',
            value: figure(page.without),
            ...(page.without > 0 && { tone: 'text-brass-ink' }),
          },
        ]}
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <h2 className="head m-0">From a file</h2>
        <p className="mt-0 mb-2 max-w-[760px]">
          A CSV with the columns name, latitude and longitude, or name and link, says where sites are; GeoJSON with
          named points does too. One with from, to and minutes, or a square of minutes with the names across and down,
          says how long roads take. Names are those of your sites, or of whoever’s day begins there.
        </p>
        <FileInput
          aria-label="CSV or GeoJSON"
          className="field w-full max-w-[420px] min-w-0"
          accept=".csv,.txt,.json,.geojson"
          onChosen={(file) => file && void read(file)}
        />
        {wrong && (
          <p role="alert" className="m-0 mt-2 font-semibold text-seal-ink">
            {wrong}
          </p>
        )}
        {says && (
          <p role="status" className="m-0 mt-2">
            {says}
          </p>
        )}
        {matched && <WhatItSays matched={matched} busy={busy} onTake={take} onLeave={() => setMatched(null)} />}
        {startless.length > 0 && (
          <p className="mt-4 mb-0 max-w-[760px] border-l-4 border-brass pl-3">
            Where the day begins is not said of {startless.map(({ name }) => name).join(', ')}: say it with the person,
            under{' '}
            <a className="word" href="/firm">
              The firm and its people
            </a>
            .
          </p>
        )}
        <h2 className="head mt-5 mb-0">
          {page.without > 0 ? 'Nobody said where these are' : 'Every site has its place'}
        </h2>
        <ul className="m-0 list-none p-0">
          {page.sites.map((site) => (
            <SiteLine key={site.id} site={site} />
          ))}
        </ul>
        {page.count > page.sites.length && (
          <p className="m-0 text-second">and {figure(page.count - page.sites.length)} more</p>
        )}
      </div>
    </div>
  )
}

async function fetchPlaces(): Promise<Places | null> {
  const response = await fetch('/api/places').catch(() => null)
  return response?.ok ? ((await response.json()) as Places) : null
}

function SiteLine({ site: { id, name, area, place } }: { site: PlacesPage['sites'][number] }) {
  return (
    <li className="border-t border-hair">
      <a className="flex min-h-[44px] flex-wrap items-center gap-x-4 hover:bg-copper-tint" href={`/sites/${id}`}>
        <b className="w-[260px] font-semibold">{name}</b>
        <span className="w-[200px] text-second">{area}</span>
        {place ? (
          <span className="mono text-[14px]">
            {place.latitude.toFixed(5)}, {place.longitude.toFixed(5)}
          </span>
        ) : (
          <span className="text-[14px] text-brass-ink">paste a map’s link there, or stand there and press Here</span>
        )}
      </a>
    </li>
  )
}

interface WhatItSaysProps {
  matched: Matched
  busy: boolean
  onTake(): void
  onLeave(): void
}

/** What a file would set, before it does. */
function WhatItSays({ matched: { places, roads, unknown, wrong }, busy, onTake, onLeave }: WhatItSaysProps) {
  const some = places.length + roads.length > 0
  return (
    <section aria-label="What the file says" className="mt-3 max-w-[900px] border-t-2 border-ink pt-2">
      <p className="m-0 font-semibold">
        {some
          ? [
              places.length > 0 && counted(places.length, 'site gets its place', 'sites get their places'),
              roads.length > 0 && counted(roads.length, 'road'),
            ]
              .filter(Boolean)
              .join(', ')
          : 'Nothing in it that is not known already.'}
      </p>
      <ul className="m-0 list-none p-0">
        {places.slice(0, mostNamed).map(({ siteId, name, place, movesKm }) => (
          <li key={siteId} className="flex flex-wrap gap-x-4 border-t border-hair py-1">
            <span className="min-w-[220px] flex-1">{name}</span>
            <span className="mono text-[14px]">
              {place.latitude.toFixed(5)}, {place.longitude.toFixed(5)}
            </span>
            <span className={`w-[190px] text-[14px] ${(movesKm ?? 0) > 1 ? 'text-brass-ink' : 'text-second'}`}>
              {movesKm === null ? 'it had none' : `${movesKm.toFixed(1)} km from where it was`}
            </span>
          </li>
        ))}
        {roads.slice(0, mostNamed).map(({ fromId, toId, fromName, toName, minutes }) => (
          <li key={`${fromId} ${toId}`} className="flex flex-wrap gap-x-4 border-t border-hair py-1">
            <span className="min-w-[220px] flex-1">
              {fromName} to {toName}
            </span>
            <span className="mono text-[14px]">{minutes} min</span>
          </li>
        ))}
      </ul>
      {places.length + roads.length > 2 * mostNamed && (
        <p className="m-0 text-second">and {figure(places.length + roads.length - 2 * mostNamed)} more</p>
      )}
      <Left title="No site of yours, or more than one, is called" names={unknown} />
      <Left title="Could not be read" names={wrong} />
      <p className="mt-3 mb-0 flex gap-3">
        {some && (
          <button type="button" className="act" disabled={busy} onClick={onTake}>
            {busy ? 'Keeping …' : 'Keep it'}
          </button>
        )}
        <button type="button" className="plain" onClick={onLeave}>
          Leave it
        </button>
      </p>
    </section>
  )
}

function Left({ title, names }: { title: string; names: string[] }) {
  if (names.length === 0) return null
  return (
    <p className="m-0 mt-2 border-l-4 border-brass pl-3 text-[14px]">
      <b>{title}:</b> {names.slice(0, mostNamed).join('; ')}
      {names.length > mostNamed && `; and ${names.length - mostNamed} more`}
    </p>
  )
}

export const PlacesIsland = fromPage(PlacesView)
