import { expect } from 'chai';
import { portFrom } from './port.ts';

describe('the port', () => {
  for (const [asked, port] of [
    [undefined, 5180],
    ['', 5180],
    [' ', 5180],
    ['1', 1],
    ['5190', 5190],
    ['65535', 65_535],
  ] as const)
    it(`${JSON.stringify(asked)} is ${port}`, () => expect(portFrom(asked)).to.equal(port));

  for (const asked of ['abc', '0', '65536', '99999', '-1', '80.5', '1e3', '0x50'])
    it(`${asked} is refused with its value`, () => {
      expect(portFrom(asked)).to.be.a('string').that.contains(`“${asked}”`);
    });
});
