import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { backupTime } from '../../scripts/backup-time.ts'
import { backupsKept, thinBackups } from '../../scripts/thin-backups.ts'

/** One a night for so many nights, the newest last. */
const nightly = (nights: number): string[] =>
  Array.from({ length: nights }, (_, i) =>
    new Date(Date.UTC(2026, 10, 28, 3, 30) - (nights - 1 - i) * 86_400_000).toISOString(),
  )

describe('backups that are kept', () => {
  it('are all of the first week', () => {
    expect(backupsKept(nightly(7)).size).to.equal(7)
    expect(backupsKept([]).size).to.equal(0)
  })

  it('are seven days, five weeks and twelve months of a long row, the newest of each', () => {
    const all = nightly(800)
    const stay = [...backupsKept(all)].sort()
    expect(stay.at(-1)).to.equal(all.at(-1))
    const days = stay.map((moment) => moment.slice(0, 10))
    expect(days.slice(-7)).to.deep.equal([
      '2026-11-22',
      '2026-11-23',
      '2026-11-24',
      '2026-11-25',
      '2026-11-26',
      '2026-11-27',
      '2026-11-28',
    ])
    // Sundays end the weeks; this week's last is today's.
    expect(days).to.include.members(['2026-11-22', '2026-11-15', '2026-11-08', '2026-11-01'])
    expect(days).to.include.members(['2026-10-31', '2026-09-30', '2026-02-28', '2025-12-31'])
    expect(days[0], 'a year of months').to.equal('2025-12-31')
    expect(stay.length).to.be.within(20, 24)
  })

  it('come to the same whether they are thinned every night or once', () => {
    let kept: string[] = []
    for (const moment of nightly(400)) kept = [...backupsKept([...kept, moment])]
    expect(kept.sort()).to.deep.equal([...backupsKept(nightly(400))].sort())
  })

  it('are taken from its own folders alone: a half one, one before an upgrade and a stranger stay', () => {
    const folder = mkdtempSync(join(tmpdir(), 'evenshot-thin-'))
    const make = (name: string, isWhole = true) => {
      mkdirSync(join(folder, name))
      if (isWhole) writeFileSync(join(folder, name, 'manifest.json'), '{}')
    }
    for (const moment of nightly(40)) make(moment.replace(/[:.]/g, '-'))
    make('2020-01-01T03-30-00-000Z', false)
    make('before-0004-pasts-20200101000000')
    make('mine')
    const gone = thinBackups(folder)
    expect(gone.length).to.be.above(20)
    expect(gone.every((name) => !existsSync(join(folder, name)))).to.equal(true)
    expect(readdirSync(folder)).to.include.members([
      '2020-01-01T03-30-00-000Z',
      'before-0004-pasts-20200101000000',
      'mine',
    ])
    expect(thinBackups(folder)).to.deep.equal([])
    expect(thinBackups(join(folder, 'nowhere'))).to.deep.equal([])
    rmSync(folder, { recursive: true })
  })
})

describe('the nightly backup', () => {
  it('is at a time of day that somebody said, or not at all', () => {
    expect(backupTime('3:05')).to.deep.equal({ hour: 3, minute: 5 })
    expect(backupTime('off')).to.equal(null)
    for (const bad of ['', '24:00', '3', 'noon', '03:60'])
      expect(() => backupTime(bad), bad).to.throw('EVENSHOT_BACKUP_AT')
  })
})
