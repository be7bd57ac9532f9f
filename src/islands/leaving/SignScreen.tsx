import { Dialog } from 'radix-ui'
import { useRef, useState } from 'react'
import type { Sentence } from '../../core/close-out/sentences.ts'
import { isDrawn } from '../../core/close-out/signature.ts'
import type { Signing } from '../../core/ledger/kinds/visit-closed.ts'
import { browserNow } from '../../ui/clock.ts'
import type { Signed } from './leaving.ts'
import { type SignatureAsks, SignaturePad } from './SignaturePad.tsx'

interface Props {
  site: string
  on: string
  sentences: Sentence[]
  name: string
  as: string
  onWho: (who: { name?: string; as?: string }) => void
  onBack: () => void
  onSigned: (signed: Signed, struck: ReadonlySet<number>) => Promise<string | null>
}

/** The side that is turned to the customer: what they sign, each sentence to be struck out, and the field to sign in. */
export function SignScreen({ site, on, sentences, name, as, onWho, onBack, onSigned }: Props) {
  const pad = useRef<SignatureAsks>(null)
  const [struck, setStruck] = useState<ReadonlySet<number>>(new Set())
  const [drawn, setDrawn] = useState(false)
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [without, setWithout] = useState(false)
  const [turned] = useState(() => window.innerWidth < 700)
  const strike = (i: number) => {
    const now = new Set(struck)
    if (!now.delete(i)) now.add(i)
    setStruck(now)
  }
  const close = async (how: Signing) => {
    const at = `${browserNow().toISOString().slice(0, 16)}Z`
    const strokes = how === 'signed' ? (pad.current?.strokes() ?? []) : []
    if (how === 'signed' && !isDrawn(strokes)) return setWrong('Nothing is signed yet: write the name in the field.')
    if ((how === 'signed' || how === 'cannot') && !name.trim())
      return setWrong('Write the name in letters too: nobody reads a signature.')
    setBusy(true)
    const refused = await onSigned(
      {
        how,
        ...(how !== 'nobody' && name.trim() && { name: name.trim() }),
        ...(how !== 'nobody' && as.trim() && { as: as.trim() }),
        at,
        ...(how === 'signed' && { strokes }),
      },
      struck,
    )
    setBusy(false)
    if (refused) setWrong(refused)
  }
  const standing = sentences.length - struck.size
  const side = turned ? '[writing-mode:vertical-rl]' : ''
  return (
    <Dialog.Root open onOpenChange={onBack}>
      <Dialog.Portal>
        <Dialog.Content
          className="fixed inset-0 z-50 flex flex-col bg-enamel text-ink"
          aria-describedby={undefined}
          onInteractOutside={(event) => event.preventDefault()}
        >
          <header className="flex items-center gap-4 border-b-2 border-deep bg-page px-4 py-2">
            <div className="min-w-0 flex-1">
              <Dialog.Title className="m-0 text-[17px] font-[640]">Turned to the customer</Dialog.Title>
              <p className="m-0 text-[14px] text-second">the sentences as they sign them</p>
            </div>
            <button type="button" className="plain min-h-[48px]" onClick={onBack}>
              Take back
            </button>
          </header>
          {without ? (
            <Without
              name={name}
              as={as}
              onWho={onWho}
              wrong={wrong}
              busy={busy}
              onClose={close}
              onBack={() => setWithout(false)}
            />
          ) : (
            <div className={`flex min-h-0 flex-1 p-3 ${turned ? 'flex-row-reverse gap-2' : 'flex-col gap-3'}`}>
              <div className={`min-h-0 min-w-0 overflow-auto ${side} ${turned ? 'max-w-[58%]' : 'max-h-[46%]'}`}>
                <p className="m-0 text-[19px] font-[640]">What you sign{name && `, ${name}`}</p>
                <p className="m-0 pb-1 text-[13.5px] text-second">
                  {site}, {on}
                </p>
                <ol className="m-0 list-none p-0">
                  {sentences.map((sentence, i) => (
                    <li
                      key={sentence.text}
                      className={`flex items-baseline gap-3 border-hair ${turned ? 'border-r px-0.5' : 'border-t py-2'}`}
                    >
                      <b aria-hidden>{i + 1}</b>
                      <span
                        className={`flex-1 ${turned ? 'text-[15px] leading-tight' : 'text-[16px]'} ${struck.has(i) ? 'text-second line-through' : ''}`}
                      >
                        {sentence.text}
                      </span>
                      <button
                        type="button"
                        aria-pressed={struck.has(i)}
                        className={`text-[14px] font-semibold text-copper ${turned ? 'min-h-[120px] min-w-[44px]' : 'min-h-[44px] min-w-[44px]'}`}
                        onClick={() => strike(i)}
                      >
                        {struck.has(i) ? 'as it was' : 'not so: strike it out'}
                      </button>
                    </li>
                  ))}
                </ol>
              </div>
              <div
                className={`relative min-h-0 min-w-0 flex-1 border border-deep bg-enamel ${turned ? 'min-w-[104px]' : 'min-h-[150px]'}`}
              >
                <span
                  aria-hidden
                  className={`absolute border-second ${turned ? 'inset-y-6 left-[26%] border-l border-dashed' : 'inset-x-6 bottom-[26%] border-b border-dashed'}`}
                />
                <SignaturePad ref={pad} turned={turned} onDrawn={() => setDrawn(true)} />
              </div>
              <div className={`flex gap-3 ${turned ? 'w-[52px] shrink-0 flex-col' : 'flex-wrap items-stretch'}`}>
                {!turned && <WhoSigns name={name} as={as} onWho={onWho} />}
                <button
                  type="button"
                  className={`plain min-h-[56px] flex-1 ${side}`}
                  disabled={!drawn}
                  onClick={() => {
                    pad.current?.clear()
                    setDrawn(false)
                  }}
                >
                  Sign again
                </button>
                <button type="button" className={`plain min-h-[56px] flex-1 ${side}`} onClick={() => setWithout(true)}>
                  I do not sign
                </button>
                <button
                  type="button"
                  className={`act min-h-[56px] flex-[2] ${side}`}
                  disabled={busy}
                  onClick={() => void close('signed')}
                >
                  {busy ? 'Closing …' : standing === 1 ? 'I sign this one' : `I sign these ${standing}`}
                </button>
              </div>
            </div>
          )}
          {!without && turned && (
            <div className="flex flex-wrap items-center gap-3 px-3 pb-3">
              <WhoSigns name={name} as={as} onWho={onWho} />
            </div>
          )}
          {wrong && !without && (
            <p role="alert" className="m-0 px-3 pb-3 font-semibold text-seal-ink">
              {wrong}
            </p>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function WhoSigns({ name, as, onWho }: Pick<Props, 'name' | 'as' | 'onWho'>) {
  return (
    <>
      <label className="flex min-w-[150px] flex-1 flex-col text-[14px]">
        <span className="text-second">Name in letters</span>
        <input
          className="field"
          maxLength={120}
          autoComplete="off"
          value={name}
          onChange={(event) => onWho({ name: event.target.value })}
        />
      </label>
      <label className="flex min-w-[120px] flex-1 flex-col text-[14px]">
        <span className="text-second">What they are there</span>
        <input
          className="field"
          maxLength={80}
          autoComplete="off"
          placeholder="owner"
          value={as}
          onChange={(event) => onWho({ as: event.target.value })}
        />
      </label>
    </>
  )
}

/** Closed without a signature, and why: each as good as a signature is. */
function Without({
  name,
  as,
  onWho,
  wrong,
  busy,
  onClose,
  onBack,
}: Pick<Props, 'name' | 'as' | 'onWho'> & {
  wrong: string
  busy: boolean
  onClose: (how: Signing) => Promise<void>
  onBack: () => void
}) {
  return (
    <div className="flex max-w-[640px] flex-col gap-3 p-4">
      <p className="m-0 text-[17px]">The visit closes all the same; the report says how.</p>
      <div className="flex flex-wrap gap-3">
        <WhoSigns name={name} as={as} onWho={onWho} />
      </div>
      {(
        [
          ['nobody', 'Nobody is there to sign'],
          ['refused', 'They do not want to sign'],
          ['cannot', 'They cannot sign, and agreed aloud'],
        ] as const
      ).map(([how, words]) => (
        <button
          key={how}
          type="button"
          className="plain min-h-[56px] text-left"
          disabled={busy}
          onClick={() => void onClose(how)}
        >
          {words}
        </button>
      ))}
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <button type="button" className="min-h-[44px] self-start font-semibold text-copper" onClick={onBack}>
        Back to the field
      </button>
    </div>
  )
}
