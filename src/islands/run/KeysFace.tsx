import { useState } from 'react'
import { patternWords, programmes } from '../../core/procedures/key-patterns.ts'
import type { StepOf } from '../../core/procedures/step.ts'
import { later } from '../../ui/later.tsx'
import type { ModelKeys } from './model-keys.ts'

/** Filled in once a model; the run needs no form before. */
const KeysSheet = later(() => import('./KeysSheet.tsx').then((module) => module.KeysSheet))

interface Props {
  step: StepOf<'keys'>
  keys: ModelKeys | null
}

/** How this model's programme is started: as the firm has set it; else what to look up, and the shape of such a thing. */
export function KeysFace({ step, keys }: Props) {
  const [setting, setSetting] = useState(false)
  const own = keys?.of(step.programme) ?? null
  const { name } = programmes[step.programme]
  return (
    <div className="mt-4 flex flex-col gap-3">
      {own ? (
        <p className="m-0 max-w-[46ch] text-[22px]">
          <b>{keys!.model}:</b> {patternWords(own)}
        </p>
      ) : (
        <>
          <p className="m-0 max-w-[46ch] text-[22px]">
            Look in {keys ? `the leaflet of ${keys.model}` : 'this model’s leaflet'}: how to start its {name}. Which
            keys, from off or ready, how long, what answers, and which press follows.
          </p>
          <p className="m-0 max-w-[60ch] border-l-4 border-brass pl-3 text-[16px] text-second">
            <b>An example of the shape, not of this machine.</b> {patternWords(step.example)}
          </p>
        </>
      )}
      {keys && (
        <button
          type="button"
          className="min-h-[64px] self-start text-[17px] font-semibold underline decoration-copper decoration-[1.5px] underline-offset-4"
          onClick={() => setSetting(true)}
        >
          {own ? 'Other keys on this model …' : 'On this model it is: set it once …'}
        </button>
      )}
      {setting && (
        <KeysSheet
          title={`${keys!.model}: ${name}`}
          pattern={own}
          onKeep={async (pattern) => {
            const wrong = await keys!.set(step.programme, pattern)
            if (wrong === null) setSetting(false)
            return wrong
          }}
          onClose={() => setSetting(false)}
        />
      )}
    </div>
  )
}
