/** What is under way, with a way to stop it. */
export function Progress({ words, onStop }: { words: string; onStop: () => void }) {
  return (
    <span role="status" className="flex items-center gap-2">
      {words}
      <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={onStop}>
        Stop
      </button>
    </span>
  )
}
