import { expect } from 'chai'
import { notedBefore, notedOf } from '../../../src/core/strip-down/noted-before.ts'
import { entry } from '../standing/a-history.ts'

const sheet = (on: string, notes: Record<string, string | undefined>) =>
  entry('strip-down', on, {
    title: 'Grinder service',
    minutes: 20,
    things: Object.entries(notes).map(([name, note]) => ({ name, fasteners: [], offS: 1, ...(note && { note }) })),
  })

describe('what was noted in earlier strip-downs', () => {
  const noted = notedBefore([
    sheet('2025-03-01', { Hopper: 'Twist the gasket first', Chute: 'cracked' }),
    sheet('2026-03-01', { hopper: 'twist the gasket first', Chute: undefined }),
    entry('note', '2026-04-01', { text: 'no sheet' }),
  ])

  it('is told once, as it was said last', () => {
    expect(noted.map(({ thing, note, on }) => `${thing}, ${on}: ${note}`)).to.deep.equal([
      'hopper, 2026-03-01: twist the gasket first',
      'Chute, 2025-03-01: cracked',
    ])
  })

  it('is found by the thing’s name, however it is written', () => {
    expect(notedOf(noted, 'HOPPER').map(({ on }) => on)).to.deep.equal(['2026-03-01'])
    expect(notedOf(noted, 'Spring')).to.deep.equal([])
  })
})
