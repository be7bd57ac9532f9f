interface Props {
  initials: string
  name: string
  onClick?: () => void
}

export const personButton = {
  className:
    'mono h-9 w-9 rounded-sm border-[1.5px] border-deep text-[13px] font-semibold text-deep max-md:h-11 max-md:w-11',
  label: (name: string) => `${name}: menu`,
}

/** Opens the technician's menu; the menu itself comes with the first press. */
export function PersonButton({ initials, name, onClick }: Props) {
  return (
    <button
      type="button"
      aria-haspopup="menu"
      aria-expanded={false}
      aria-label={personButton.label(name)}
      className={personButton.className}
      onClick={onClick}
    >
      {initials}
    </button>
  )
}
