import { useMemo } from 'react'
import type { Coordinates } from '../../../core/rounds/travel.ts'
import { dayShort } from '../../../ui/format.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { cut } from './DayStrip.tsx'
import { clockOf, type DayTimes } from './day-times.ts'
import { placeLabels, type Spot } from './label-places.ts'

interface Props {
  page: DayPage
  drives: { person: DayPerson; times: DayTimes }[]
  chosen: number | null
  /** An order that is looked at beside the one that stands. */
  beside: number[] | null
  onChoose: (stop: number) => void
}

const width = 780
const height = 470
const margin = { x: 150, y: 46 }
const kmOfDegree = 111.195

/** The places of a day as the crow flies: the drive as a thread through them, minutes beside, north up. */
export function PlacesMap({ page, drives, chosen, beside, onChoose }: Props) {
  const sheet = useMemo(() => sheetOf(page, drives), [page, drives])
  if (!sheet)
    return (
      <p className="m-0 py-3 text-second">
        Nobody said where these places are. Coordinates of a site are on its page, those of a yard on the person’s card
        under People.
      </p>
    )
  const { at, starts, legs, others, kmPx } = sheet
  const barKm = [0.5, 1, 2, 5, 10, 20, 50, 100].find((km) => km * kmPx > 60) ?? 200
  const [person] = drives
  const besideLegs =
    beside && person ? legsOf([person.person.outing.start, ...beside, person.person.outing.end], at) : []
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block w-full"
      role="img"
      aria-label="The places of the day, north up"
    >
      {legs.map(({ from, to, key }) => (
        <path key={key} d={`M${from.x} ${from.y}L${to.x} ${to.y}`} stroke="var(--deep)" strokeWidth={5} />
      ))}
      {legs.map(({ from, to, key }) => (
        <g key={key}>
          <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} stroke="var(--tint)" strokeWidth={2.5} />
          <Arrow from={from} to={to} />
        </g>
      ))}
      {besideLegs.map(([from, to]) => (
        <path
          key={`${from.x} ${from.y} ${to.x} ${to.y}`}
          d={`M${from.x} ${from.y}L${to.x} ${to.y}`}
          stroke="var(--copper)"
          strokeWidth={2.5}
          strokeDasharray="3 4"
        />
      ))}
      {legs.map(({ from, to, key, minutes }) => {
        const spot = minutesAt({ from, to })
        if (!spot) return null
        return (
          <text
            key={key}
            x={spot.x}
            y={spot.y + 5}
            textAnchor="middle"
            fontSize={14}
            className="mono"
            fontWeight={600}
            fill="var(--ink)"
            paintOrder="stroke"
            stroke="var(--enamel)"
            strokeWidth={4}
          >
            {Math.round(minutes)}
          </text>
        )
      })}
      {others.map(({ site, spot, label }) => (
        <g key={site.siteId}>
          <circle cx={spot.x} cy={spot.y} r={3} fill="var(--enamel)" stroke="var(--second)" strokeWidth={1.25} />
          {!label.crowded && (
            <text x={label.x} y={label.y + 11} fontSize={12} className="slim" fill="var(--second)">
              {otherWords(site)}
            </text>
          )}
        </g>
      ))}
      {starts.map(({ person: one, spot, label }) => (
        <g key={one.id}>
          <circle cx={spot.x} cy={spot.y} r={8} fill="var(--enamel)" stroke="var(--deep)" strokeWidth={2} />
          <text x={label.x} y={label.y + 13} fontSize={13} fill="var(--ink)" className="slim">
            {startWords(one)}
          </text>
        </g>
      ))}
      {sheet.stops.map(({ i, n, spot, label, lines, done }) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: the drawing is an image, the list beside it is the control
        <g key={i} onClick={() => onChoose(i)} className="cursor-pointer">
          {i === chosen && (
            <circle cx={spot.x} cy={spot.y} r={17} fill="none" stroke="var(--copper)" strokeWidth={2.25} />
          )}
          <circle cx={spot.x} cy={spot.y} r={12} fill={done ? 'var(--second)' : 'var(--deep)'} />
          <text x={spot.x} y={spot.y + 5.5} textAnchor="middle" fontSize={15} fontWeight={700} fill="var(--enamel)">
            {n + 1}
          </text>
          {lines.map((line, l) => (
            <text
              key={line}
              x={label.x}
              y={label.y + 13 + l * 16}
              fontSize={l === 0 ? 15 : 13}
              fontWeight={l === 0 ? 600 : 400}
              className="slim"
              fill={l === 0 ? 'var(--ink)' : 'var(--second)'}
              paintOrder="stroke"
              stroke="var(--enamel)"
              strokeWidth={3}
            >
              {line}
            </text>
          ))}
        </g>
      ))}
      <g stroke="var(--ink)" fill="none">
        <path d="M20 84V50M14 60l6-10 6 10" />
        <path d={`M20 ${height - 14}h${barKm * kmPx}M20 ${height - 19}v10M${20 + barKm * kmPx} ${height - 19}v10`} />
      </g>
      <text x={20} y={100} textAnchor="middle" fontSize={12} fill="var(--second)">
        N
      </text>
      <text x={24 + barKm * kmPx + 4} y={height - 9} fontSize={12} className="mono" fill="var(--second)">
        {barKm} km
      </text>
    </svg>
  )
}

const otherWords = ({ name, next }: DayPage['others'][number]) => `${cut(name, 22)}${next ? `, ${dayShort(next)}` : ''}`
const startWords = ({ name }: DayPerson) => `${name.split(' ')[0]} begins`

/** Where a leg’s minutes stand, beside its middle; nowhere where it is too short for them. */
function minutesAt({ from, to }: { from: Spot; to: Spot }): Spot | null {
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  if (long < 46) return null
  return {
    x: (from.x + to.x) / 2 - ((to.y - from.y) / long) * 13,
    y: (from.y + to.y) / 2 + ((to.x - from.x) / long) * 13,
  }
}

/** An arrow inside a leg, at its middle. */
function Arrow({ from, to }: { from: Spot; to: Spot }) {
  const turn = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI
  return (
    <path
      d="M-4 -4L5 0L-4 4Z"
      transform={`translate(${from.x + (to.x - from.x) * 0.62} ${from.y + (to.y - from.y) * 0.62}) rotate(${turn})`}
      fill="var(--deep)"
    />
  )
}

const legsOf = (places: number[], at: (place: number) => Spot | null): [Spot, Spot][] =>
  places.slice(1).flatMap((to, i): [Spot, Spot][] => {
    const [a, b] = [at(places[i]!), at(to)]
    return a && b ? [[a, b]] : []
  })

/** Everything laid out on the sheet; null where no place of the day is known. */
function sheetOf(page: DayPage, drives: Props['drives']) {
  const places = [...page.stops.map(({ place }) => place)]
  const startOf = new Map(drives.map(({ person }) => [person.outing.end, person.start]))
  const of = (i: number): Coordinates | null => places[i] ?? startOf.get(i) ?? null
  const going = drives.flatMap(({ person, times }) => [...person.been, ...times.order])
  const known = [...going.map((i) => of(i)), ...drives.map(({ person }) => person.start)].filter((one) => one !== null)
  if (known.length < 2) return null
  const lat = known.map(({ latitude }) => latitude)
  const lon = known.map(({ longitude }) => longitude)
  const middle = { lat: (Math.min(...lat) + Math.max(...lat)) / 2, lon: (Math.min(...lon) + Math.max(...lon)) / 2 }
  const squeeze = Math.cos((middle.lat * Math.PI) / 180)
  const spanKm = {
    x: Math.max(0.5, (Math.max(...lon) - Math.min(...lon)) * squeeze * kmOfDegree),
    y: Math.max(0.5, (Math.max(...lat) - Math.min(...lat)) * kmOfDegree),
  }
  const kmPx = Math.min((width - 2 * margin.x) / spanKm.x, (height - 2 * margin.y) / spanKm.y)
  const project = ({ latitude, longitude }: Coordinates): Spot => ({
    x: width / 2 + (longitude - middle.lon) * squeeze * kmOfDegree * kmPx,
    y: height / 2 - (latitude - middle.lat) * kmOfDegree * kmPx,
  })
  const at = (i: number): Spot | null => {
    const place = of(i)
    return place && project(place)
  }
  const legs = drives.flatMap(({ person, times }) => {
    const way = times.order.length === 0 ? [] : [person.outing.start, ...times.order, person.outing.end]
    return way.slice(1).flatMap((to, i) => {
      const [a, b] = [at(way[i]!), at(to)]
      return a && b ? [{ key: `${way[i]} ${to}`, from: a, to: b, minutes: page.roads[way[i]!]![to]!.minutes }] : []
    })
  })
  const stops = drives.flatMap(({ person, times }) =>
    [...person.been, ...times.order].flatMap((i, n) => {
      const spot = at(i)
      if (!spot) return []
      const stop = page.stops[i]!
      const timed = times.stops.find(({ stop: one }) => one === i)
      const lines = [
        cut(stop.name, 26),
        `${clockOf(page, timed?.beginMin ?? stop.arrivedMin!)}, ${Math.round(stop.serviceMin)} min${stop.promised ? `, promised ${stop.promised}` : ''}`,
      ]
      return [{ i, n, spot, lines, done: person.been.includes(i) }]
    }),
  )
  const starts = drives.flatMap(({ person }) => (person.start ? [{ person, spot: project(person.start) }] : []))
  const near = page.others
    .map((site) => ({ site, spot: project(site.place) }))
    .filter(({ spot }) => spot.x > 8 && spot.y > 8 && spot.x < width - 8 && spot.y < height - 8)
  const room = (lines: string[]) => Math.max(...lines.map((line, l) => line.length * (l === 0 ? 7 : 6.3)))
  const labels = placeLabels(
    [
      ...stops.map(({ spot, lines }) => ({ at: spot, width: room(lines), height: 34, gap: 18 })),
      ...starts.map(({ person, spot }) => ({ at: spot, width: startWords(person).length * 6.4, height: 17, gap: 13 })),
      ...near.map(({ site, spot }) => ({ at: spot, width: otherWords(site).length * 5.8, height: 14, gap: 7 })),
    ],
    {
      discs: [
        ...stops.map(({ spot }) => ({ ...spot, r: 14 })),
        ...starts.map(({ spot }) => ({ ...spot, r: 10 })),
        ...near.map(({ spot }) => ({ ...spot, r: 4 })),
        ...legs.flatMap((leg) => (minutesAt(leg) ? [{ ...minutesAt(leg)!, r: 11 }] : [])),
      ],
      lines: legs.map(({ from, to }) => [from, to] as [Spot, Spot]),
      frame: { x: 4, y: 4, width: width - 8, height: height - 8 },
    },
  )
  return {
    at,
    kmPx,
    legs,
    stops: stops.map((stop, i) => ({ ...stop, label: labels[i]! })),
    starts: starts.map((one, i) => ({ ...one, label: labels[stops.length + i]! })),
    others: near.map((one, i) => ({ ...one, label: labels[stops.length + starts.length + i]! })),
  }
}
