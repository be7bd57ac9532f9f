import { useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { LensSwitch } from '../../ui/LensSwitch.tsx'
import { later } from '../../ui/later.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import type { FaultView } from '../fault/FaultLens.tsx'
import type { PathLayout } from '../path/layout.ts'
import { PathDrawing } from '../path/PathDrawing.tsx'
import type { Hanging } from '../path/StationMark.tsx'
import { WorkPath } from '../run/WorkPath.tsx'
import { foldedRails, spokenStations } from './lens-path.ts'

const HaloUnderlay = later(() => import('../fault/HaloUnderlay.tsx').then((module) => module.HaloUnderlay))
const WaterOverlay = later(() => import('./water/WaterOverlay.tsx').then((module) => module.WaterOverlay))

interface Props {
  bundle: MachineBundle
  kind: Kind
  today: string
  without: Set<string>
  lenses: { id: string; key: string; name: string }[]
  lens: string
  onLens: (lens: string) => void
  hanging: Map<string, Hanging>
  /** On a small screen: the stations to show. */
  keep: Set<string>
  chosen: string | null
  onChoose: (station: string, standing: Standing | null) => void
  /** Stations the chosen work is about. */
  work: string[]
  fault: FaultView | null
}

/**
 * The water path under its lens switch. It takes the room that what it says deserves: before there is a complaint,
 * and where work is chosen, a strip beside the switch; rails that carry no word fold into a line.
 */
export function PathPart(props: Props) {
  const { bundle, kind, today, without, lenses, lens, onLens, hanging, keep, chosen, onChoose, work, fault } = props
  const [unfolded, setUnfolded] = useState(false)
  const [allRails, setAllRails] = useState(false)
  const spoken = spokenStations(lens, hanging, fault)
  const drawing = {
    kind,
    today,
    without,
    hanging,
    onChoose,
    chosen,
    ...(!allRails && { spoken }),
    ...(lens === 'fault' && fault && { underlay: (layout: PathLayout) => <HaloUnderlay layout={layout} {...fault} /> }),
    ...(lens === 'water' &&
      !bundle.atFirstSight && {
        overlay: (layout: PathLayout) => <WaterOverlay bundle={bundle} layout={layout} today={today} />,
      }),
  }
  const lensSwitch = <LensSwitch lenses={lenses} chosen={lens} onChoose={onLens} label="Lens" />
  if (lens === 'work' || (lens === 'fault' && !fault)) {
    const names = kind.stations.filter(({ id }) => work.includes(id)).map(({ name }) => name.toLowerCase())
    return (
      <section
        aria-label="Water path"
        className="flex items-center gap-6 border-b border-hair bg-enamel px-4 pt-1 pb-2 lg:px-6 lg:pb-1"
      >
        <div className="min-w-0 max-lg:w-full lg:w-[470px] lg:shrink-0">
          <div data-noprint className="lg:-ml-1">
            {lensSwitch}
          </div>
          {lens === 'work' && names.length > 0 && (
            <p className="m-0 text-[14px] leading-tight text-second lg:pl-1">Worked on: {names.join(', ')}</p>
          )}
        </div>
        <div className="h-[104px] min-w-0 flex-1 max-lg:hidden">
          <WorkPath kind={kind} without={without} lit={new Set(lens === 'work' ? work : [])} words="" />
        </div>
      </section>
    )
  }
  const folded = lens === 'water' || allRails ? [] : foldedRails(kind, without, spoken)
  return (
    <section aria-label="Water path" className="relative border-b border-hair bg-enamel">
      <div data-noprint className="px-4 pt-1 lg:absolute lg:left-5 lg:top-1 lg:z-10 lg:px-0">
        {lensSwitch}
      </div>
      {/* biome-ignore-start lint/a11y/noNoninteractiveTabindex: a wide drawing scrolls, and the keyboard must reach it */}
      <section className="overflow-x-auto px-4 pt-1 lg:px-6" tabIndex={0} aria-label="Water path, scrolls sideways">
        <div className={unfolded ? '' : 'max-md:hidden'}>
          <PathDrawing {...drawing} />
        </div>
        {!unfolded && (lens === 'water' || [...keep].some((id) => spoken.has(id))) && (
          <div className="md:hidden">
            <PathDrawing {...drawing} keep={keep} onUnfold={() => setUnfolded(true)} />
          </div>
        )}
      </section>
      {/* biome-ignore-end lint/a11y/noNoninteractiveTabindex: see above */}
      {folded.length > 0 && (
        <p data-noprint className="m-0 px-4 pb-1 text-[14px] text-second max-md:hidden lg:px-6">
          Nothing to say of {folded.map(({ name, count }) => `${name} (${count})`).join(' and ')}.{' '}
          <button type="button" className="word min-h-[32px]" onClick={() => setAllRails(true)}>
            Draw them
          </button>
        </p>
      )}
    </section>
  )
}
