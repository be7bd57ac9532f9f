import { expect } from 'chai'
import { unitFile } from '../../scripts/unit-file.ts'

describe('the unit for systemd', () => {
  const usual = { root: '/srv/even shot', user: 'evenshot', node: '/usr/bin/node', environment: {} }
  const lines = (settings: Partial<typeof usual> & { environment?: Record<string, string> } = {}) =>
    unitFile({ ...usual, ...settings }).split('\n')

  it('starts what npm start starts, as a user without further rights, and again whatever ended it', () => {
    expect(lines()).to.include.members([
      'User=evenshot',
      'WorkingDirectory=/srv/even shot',
      'ExecStart="/usr/bin/node" scripts/start.mjs',
      'Restart=always',
      'NoNewPrivileges=yes',
      'CapabilityBoundingSet=',
      'ReadWritePaths="/srv/even shot"',
      'ProtectHome=yes',
    ])
  })

  it('hands on what is set, as systemd reads it', () => {
    const environment = { EVENSHOT_ORIGIN: 'https://service.example', EVENSHOT_DATA: '/srv/50%/"d"\\x' }
    expect(lines({ environment })).to.include.members([
      'Environment="EVENSHOT_ORIGIN=https://service.example"',
      'Environment="EVENSHOT_DATA=/srv/50%%/\\"d\\"\\\\x"',
      'ReadWritePaths="/srv/even shot" "/srv/50%%/\\"d\\"\\\\x"',
    ])
  })

  it('may read a home where the project stands in one', () => {
    expect(lines({ root: '/home/ines/even-shot' })).to.include('ProtectHome=read-only')
  })
})
