/** More drops than these are a number. */
const mostDrops = 6

/** Entries about a stop that wait on this device: a drop each. */
export function StopWaits({ waits }: { waits: number }) {
  return (
    <span className="mt-0.5 flex items-center gap-1.5 text-[14px] text-second">
      {waits === 1 ? '1 entry waits' : `${waits} entries wait`}
      <svg width={Math.min(waits, mostDrops) * 14} height={16} aria-hidden="true">
        {Array.from({ length: Math.min(waits, mostDrops) }, (_, i) => (
          <path
            key={`drop ${waits - i}`}
            transform={`translate(${6 + i * 14} 9)`}
            d="M0 -7c3 4 4.5 6 4.5 8.500a4.500 4.500 0 0 1-9 0C-4.500 -1-3 -3 0 -7z"
            fill="var(--water)"
          />
        ))}
      </svg>
    </span>
  )
}
