import { expect } from 'chai'
import { cookieName } from '../../src/server/open-addresses.ts'
import { publicAddress } from '../../src/server/public-address.ts'

const asked = (headers: Record<string, string>) => new Request('http://127.0.0.1:4870/', { headers })

describe('the address people use', () => {
  it('is where the application listens, until somebody says otherwise', () => {
    const here = publicAddress(undefined)
    const request = asked({ host: 'workshop:4870', 'x-forwarded-for': '203.0.113.9' })
    expect(here.originOf(request)).to.equal('http://workshop:4870')
    expect(here.isOurs(new URL('http://workshop:4870'), request)).to.equal(true)
    expect(here.isOurs(new URL('http://other:4870'), request)).to.equal(false)
    expect(here.isOurs(new URL('https://workshop:4870'), request), 'another scheme is another origin').to.equal(false)
    expect(here.isSecure).to.equal(false)
    expect(cookieName(here.isSecure)).to.equal('evenshot_session')
    // Nobody vouches for that header.
    expect(here.addressOf(request, '192.0.2.1')).to.equal('192.0.2.1')
  })

  it('is the proxy’s where one is named, whatever the request says of itself', () => {
    const here = publicAddress('https://service.example')
    const request = asked({ host: 'evil.example', 'x-forwarded-for': '198.51.100.7, 203.0.113.9' })
    expect(here.originOf(request)).to.equal('https://service.example')
    expect(here.isOurs(new URL('https://evil.example'), request)).to.equal(false)
    expect(here.isOurs(new URL('http://service.example'), request)).to.equal(false)
    expect(here.isOurs(new URL('https://service.example'), request)).to.equal(true)
    expect(here.isSecure).to.equal(true)
    // No host beside it can set a cookie of that name.
    expect(cookieName(here.isSecure)).to.match(/^__Host-/)
    expect(here.addressOf(request, '127.0.0.1')).to.equal('203.0.113.9')
    expect(here.addressOf(asked({}), '127.0.0.1')).to.equal('127.0.0.1')
  })

  for (const wrong of ['service.example', 'https://service.example/shop', 'ftp://service.example', 'https://'])
    it(`refuses ${wrong} at the start`, () => {
      expect(() => publicAddress(wrong)).to.throw('EVENSHOT_ORIGIN must be an origin')
    })
})
