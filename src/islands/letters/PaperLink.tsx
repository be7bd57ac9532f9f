import { useEffect, useState } from 'react'

interface Props {
  href: string
  name: string
  /** Why it could not be handed over. */
  onSays: (words: string) => void
}

/** A paper: opened in the browser, or handed to the device’s own ways of sharing, where it has any. */
export function PaperLink({ href, name, onSays }: Props) {
  const [shares, setShares] = useState(false)
  // What the device can is known there alone.
  useEffect(() => setShares(sharesFiles()), [])
  const share = async () => {
    const response = await fetch(href).catch(() => null)
    if (!response?.ok) return onSays('This paper could not be had: no connection, or it is not there any more.')
    const file = new File([await response.blob()], fileName(response, name), { type: 'application/pdf' })
    try {
      await navigator.share({ files: [file], title: name })
    } catch (error) {
      // Closed again without choosing: nothing is to be said.
      if ((error as Error).name !== 'AbortError') onSays('This device did not share it: open it, and save it there.')
    }
  }
  return (
    <p className="m-0 flex flex-wrap items-center gap-x-5">
      <a
        className="inline-flex min-h-[44px] items-center font-semibold text-copper"
        href={href}
        target="_blank"
        rel="noreferrer"
      >
        {name}, PDF
      </a>
      {shares && (
        <button
          type="button"
          className="min-h-[44px] font-semibold text-copper"
          aria-label={`Share ${name}`}
          onClick={() => void share()}
        >
          Share
        </button>
      )}
    </p>
  )
}

const sharesFiles = (): boolean =>
  typeof navigator.canShare === 'function' &&
  navigator.canShare({ files: [new File([], 'paper.pdf', { type: 'application/pdf' })] })

/** As the server calls it. */
const fileName = (response: Response, name: string): string =>
  /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? `${name}.pdf`
