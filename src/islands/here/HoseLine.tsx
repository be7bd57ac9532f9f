import { useWidth } from '../use-width.ts'

/** More drops than these are a number. */
const mostDrops = 24

interface HoseLineProps {
  /** Entries of each save that waits, in order. */
  waiting: number[]
  /** There is no network. */
  isCut: boolean
}

/** A hose from this device to the yard: what waits stands in it as drops, cut where there is no network. */
export function HoseLine({ waiting, isCut }: HoseLineProps) {
  const entries = waiting.reduce((sum, n) => sum + n, 0)
  const drops = Math.min(entries, mostDrops)
  const [ref, width] = useWidth(358)
  const yard = width - 84
  const end = isCut ? Math.round(width * 0.62) : yard
  return (
    <div ref={ref}>
      <svg width={width} height={40} className="block" role="img" aria-label={hoseWords(entries, isCut)}>
        <rect x={0} y={10} width={end} height={20} fill={isCut ? 'var(--field)' : 'var(--tint)'} />
        <path d={`M0 10H${end}M0 30H${end}`} stroke="var(--deep)" strokeWidth={2} />
        {isCut ? (
          <>
            <path d={`M${end} 4l-8 10 8 4-8 8 6 10`} fill="none" stroke="var(--deep)" strokeWidth={2} />
            <path d={`M${yard - 8} 4l-8 10 8 4-8 8 6 10`} fill="none" stroke="var(--second)" strokeWidth={2} />
            <path
              d={`M${yard - 8} 10H${width}M${yard - 8} 30H${width}`}
              stroke="var(--second)"
              strokeWidth={1.5}
              strokeDasharray="4 4"
            />
          </>
        ) : (
          <rect x={yard} y={4} width={12} height={32} fill="var(--enamel)" stroke="var(--deep)" strokeWidth={2} />
        )}
        <text x={yard + (isCut ? 4 : 20)} y={25} fontSize={14} fill="var(--second)">
          the yard
        </text>
        {Array.from({ length: drops }, (_, i) => (
          <path
            key={`drop ${drops - i}`}
            transform={`translate(${end - 24 - i * 16} 20)`}
            d="M0 -7c3 4 4.500 6 4.500 8.500a4.500 4.500 0 0 1-9 0C-4.500 -1-3 -3 0 -7z"
            fill="var(--deep)"
          />
        ))}
      </svg>
    </div>
  )
}

const hoseWords = (entries: number, isCut: boolean): string =>
  `${entries === 0 ? 'Nothing waits' : entries === 1 ? 'One entry waits' : `${entries} entries wait`}, ${isCut ? 'there is no network' : 'the network is there'}`
