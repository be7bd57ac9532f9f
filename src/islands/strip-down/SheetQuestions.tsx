import type { Kind } from '../../core/kinds/kind.ts'
import type { SheetPress } from '../../core/strip-down/sheet.ts'
import { FittedSheet } from '../run/FittedSheet.tsx'
import { ReasonSheet } from '../run/ReasonSheet.tsx'
import type { SheetStand } from './sheet-stand.ts'
import { TestedSheet } from './TestedSheet.tsx'
import { ThingForm } from './ThingForm.tsx'

/** What a sheet asks before it goes on. */
export type SheetAsks = 'note' | 'close' | 'tested' | 'other' | 'fitted'

interface Props {
  asking: SheetAsks | null
  kind: Kind
  stand: SheetStand
  /** Parts of which what goes back on may be a new one. */
  newParts: string[]
  /** What is closed with a part left over waits here for the electrical test. */
  leftOver: string | undefined
  onPress: (event: SheetPress) => void
  onLeftOver: (word: string) => void
  onClose: () => void
}

/** The question that is open, if one is. */
export function SheetQuestions({ asking, kind, stand, newParts, leftOver, onPress, onLeftOver, onClose }: Props) {
  const { held, bench } = stand
  return (
    <>
      {asking === 'other' && (
        <ThingForm
          onClose={onClose}
          onOff={(thing) => {
            onClose()
            onPress({ type: 'off', thing })
          }}
        />
      )}
      {asking === 'note' && (
        <ReasonSheet
          title={`About ${held?.thing.name.toLowerCase() ?? ''}`}
          about="Shown again when it goes back, and kept in the machine’s ledger."
          reasons={['Goes in one way only', 'Was fitted the wrong way round', 'Cracked: replace it next time']}
          act="Note it"
          onClose={onClose}
          onReason={(words) => {
            onClose()
            onPress({ type: 'note', words })
          }}
        />
      )}
      {asking === 'close' && (
        <ReasonSheet
          title={`${bench.length} left over`}
          about={`Still off: ${bench.map(({ off }) => off.thing.name.toLowerCase()).join(', ')}. Closed all the same, it stays on record with your word for it.`}
          reasons={['Broken: a new one is ordered', 'Belongs to another machine', 'Left off on purpose']}
          act="Close it"
          onClose={onClose}
          onReason={(word) => {
            onClose()
            onLeftOver(word)
          }}
        />
      )}
      {asking === 'tested' && (
        <TestedSheet
          onClose={onClose}
          onTested={(tested) => {
            onClose()
            onPress({ type: 'close', tested, ...(leftOver && { leftOver }) })
          }}
        />
      )}
      {asking === 'fitted' && (
        <FittedSheet
          kind={kind}
          parts={newParts}
          place={null}
          some
          onClose={onClose}
          onKeep={(fitted) => {
            onClose()
            onPress({ type: 'in', fitted })
          }}
        />
      )}
    </>
  )
}
