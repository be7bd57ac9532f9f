import { expect } from 'chai'
import { sizeWords } from '../../src/islands/here/size-words.ts'

describe('how big something on a device is', () => {
  it('is said with as many places as anybody asks for', () => {
    const words = [0, 245, 1024, 656_000, 3_984_588, 200 * 2 ** 20].map(sizeWords)
    expect(words).to.deep.equal(['0 B', '245 B', '1 kB', '641 kB', '3.8 MB', '200 MB'])
  })
})
