import type { ReactNode, RefObject } from 'react'
import type { Sheet, SheetPress } from '../../core/strip-down/sheet.ts'
import { Key } from '../../ui/Key.tsx'
import type { SheetAsks } from './SheetQuestions.tsx'
import type { SheetStand } from './sheet-stand.ts'

export const sheetButton =
  'min-h-[64px] border-2 border-deep bg-enamel px-4 text-[18px] leading-tight font-semibold text-deep disabled:border-hair disabled:text-second'

const primary =
  'min-h-[64px] flex-1 bg-copper px-5 text-[22px] font-semibold text-on-copper max-lg:order-first max-lg:basis-full lg:min-w-[320px]'

interface Props {
  sheet: Sheet
  stand: SheetStand
  /** Whether what goes back on may be a new one. */
  newOne: boolean
  camera: RefObject<HTMLInputElement | null>
  onPress: (event: SheetPress) => void
  onPhoto: (file: File) => void
  onAsk: (asking: SheetAsks) => void
  onGo: () => void
  /** What is pressed seldom: beside the rest on a desk. */
  more: ReactNode
}

/** What a hand presses, the next step largest. */
export function SheetBar({ sheet, stand, newOne, camera, onPress, onPhoto, onAsk, onGo, more }: Props) {
  const { held, next, refitting, allBack } = stand
  return (
    <footer className="flex flex-wrap gap-3 border-t-2 border-hair bg-enamel px-4 py-3 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 lg:sticky lg:bottom-0 lg:z-10 lg:px-6">
      <button
        type="button"
        className={sheetButton}
        disabled={sheet.things.length === 0}
        onClick={() => onPress({ type: 'back' })}
      >
        Back{' '}
        <span className="max-lg:hidden">
          <Key>B</Key>
        </span>
      </button>
      <button type="button" className={sheetButton} disabled={!held} onClick={() => camera.current?.click()}>
        Photo{' '}
        <span className="max-lg:hidden">
          <Key>F</Key>
        </span>
      </button>
      <input
        ref={camera}
        type="file"
        accept="image/*"
        capture="environment"
        className="hidden"
        aria-label="Photo"
        onChange={(event) => {
          const chosen = event.target.files?.[0]
          if (chosen) onPhoto(chosen)
          event.target.value = ''
        }}
      />
      <button type="button" className={sheetButton} disabled={!held} onClick={() => onAsk('note')}>
        Note a trap{' '}
        <span className="max-lg:hidden">
          <Key>T</Key>
        </span>
      </button>
      {!refitting && sheet.things.length > 0 && (
        <button type="button" className={next ? sheetButton : primary} onClick={() => onPress({ type: 'turn' })}>
          Now back together{' '}
          {!next && (
            <span className="max-lg:hidden">
              <Key>Space</Key>
            </span>
          )}
        </button>
      )}
      {next && (
        <button type="button" className={sheetButton} onClick={() => onPress({ type: 'stays', name: next.name })}>
          Stays on
        </button>
      )}
      <div className="contents max-lg:hidden">{more}</div>
      {newOne && (
        <button type="button" className={sheetButton} onClick={() => onAsk('fitted')}>
          A new one in …
        </button>
      )}
      {(next || refitting) && (
        <button type="button" className={primary} onClick={onGo}>
          {next ? `${next.name}: off` : allBack ? 'Close the sheet' : `${held?.thing.name}: back in`}{' '}
          <span className="max-lg:hidden">
            <Key>Space</Key>
          </span>
        </button>
      )}
    </footer>
  )
}
