import { type InputHTMLAttributes, useEffect, useRef } from 'react'

type Props = Omit<InputHTMLAttributes<HTMLInputElement>, 'type' | 'onChange' | 'onSelect'> & {
  onChosen(file: File | undefined): void
}

/**
 * A field for one file. A page can be looked at, and a file chosen in it, before its script has come: what was
 * chosen then counts too. The same file chosen twice is said twice, so that a mended file is read again.
 */
export function FileInput({ onChosen, ...rest }: Props) {
  const input = useRef<HTMLInputElement>(null)
  const said = useRef(onChosen)
  said.current = onChosen
  useEffect(() => {
    const early = input.current?.files?.[0]
    if (early) said.current(early)
  }, [])
  return (
    <input
      {...rest}
      ref={input}
      type="file"
      onClick={(event) => {
        event.currentTarget.value = ''
      }}
      onChange={(event) => onChosen(event.target.files?.[0])}
    />
  )
}
