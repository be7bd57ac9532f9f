import { expect } from 'chai'
import { scannedPath } from '../../../src/core/papers/scanned.ts'

describe('what a scanned code leads to', () => {
  it('is the page behind a label, whatever address the firm had when it was printed', () => {
    for (const text of [
      'https://firm.example/care/AbCdEf-12345_xyz',
      'http://127.0.0.1:4321/care/AbCdEf-12345_xyz',
      'https://old.example/care/AbCdEf-12345_xyz/?m=1',
    ])
      expect(scannedPath(text), text).to.equal('/care/AbCdEf-12345_xyz')
  })

  it('is nothing of anybody else’s, and leads nowhere but to a label', () => {
    for (const text of [
      '',
      'V1FT-0C7',
      'https://firm.example/',
      'https://firm.example/care/',
      'https://firm.example/care/short',
      'https://firm.example/care/AbCdEf-12345/wrong',
      'https://firm.example/care/AbCdEf%2F..%2F..%2Fsign-out',
      'javascript:alert(1)//care/AbCdEf-12345',
      'WIFI:S:guests;T:WPA;P:beans;;',
    ])
      expect(scannedPath(text), text).to.equal(null)
  })
})
