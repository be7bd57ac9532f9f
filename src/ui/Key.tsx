/** A key as it stands on the board. */
export const Key = ({ children }: { children: string }) => (
  <kbd className="mono inline-block min-w-[22px] rounded-sm border border-second bg-enamel text-ink px-1.5 text-center text-[12.5px]">
    {children}
  </kbd>
)
