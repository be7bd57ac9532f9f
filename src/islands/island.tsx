import type { ComponentType } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { lookAtMachine } from './AsideNote.tsx'

// A dialog's library asks for it by this name: what it sets on the page behind is let through by it.
if (typeof document !== 'undefined')
  Object.assign(globalThis, {
    __webpack_nonce__: document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce,
  })

/** Every island by its own: what breaks is said where it stood, and the way on is offered there. */
export function island<Props extends object>(View: ComponentType<Props>): ComponentType<Props> {
  return function Island(props: Props) {
    return (
      <ErrorBoundary FallbackComponent={Broken}>
        <View {...props} />
      </ErrorBoundary>
    )
  }
}

/** What this page keeps goes by what stands in its address: a machine's id, or the page's own name. */
const keptHere = (): string[] => location.pathname.split('/').filter(Boolean)

function Broken() {
  const goOn = async () => {
    const { setAsideAllOf } = await import('../device/set-aside-all.ts')
    await setAsideAllOf(keptHere()).catch((error) => console.info('Nothing could be set aside', error))
    location.reload()
  }
  return (
    <section role="alert" className="m-4 max-w-[560px] border border-hair bg-enamel p-4 lg:m-6">
      <h2 className="m-0 text-[18px] font-[640]">This part of the page broke.</h2>
      <p className="my-2">
        What is in the ledger is safe. It may have broken on what this device keeps of unfinished work here: that can be
        set aside, and stays on the device. <b>Work that was under way in a machine is not ended by that.</b>{' '}
        {lookAtMachine}
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="act" onClick={() => location.reload()}>
          Try again
        </button>
        <button type="button" className="plain" onClick={goOn}>
          Go on without what was kept
        </button>
      </div>
    </section>
  )
}
