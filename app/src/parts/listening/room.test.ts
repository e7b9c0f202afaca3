import { expect } from 'chai';
import { roomInWords } from './room.ts';

const level = (levelDbfs: number, floorDbfs: number, peak = 0.1) => ({
  levelDbfs,
  floorDbfs,
  peak,
});
const quiet = { level: level(-70, -72), report: null, lastReadingDbfs: null, deaf: false };

describe('room strip', () => {
  it('says what the room and the level are', () => {
    expect(roomInWords({ ...quiet, level: null })).to.equal('Not listening yet.');
    expect(roomInWords(quiet)).to.equal('Room quiet · waiting for a string');
    expect(roomInWords({ ...quiet, level: level(-20, -72) })).to.match(/level good/);
    expect(roomInWords({ ...quiet, level: level(-30, -50) })).to.match(/Some noise/);
    expect(roomInWords({ ...quiet, level: level(-30, -40) })).to.match(/Room loud/);
    expect(roomInWords({ ...quiet, level: level(-3, -72, 1) })).to.match(/too loud/);
    expect(roomInWords({ ...quiet, deaf: true })).to.match(/^Not listening while the tone sounds/);
    expect(roomInWords({ ...quiet, lastReadingDbfs: -55 })).to.match(/too far/);
  });

  it('names hum and other players', () => {
    const hum = { humHz: 50 as const, humDbfs: -60, tones: [] };
    expect(roomInWords({ ...quiet, report: hum })).to.match(/mains hum at 50 Hz/);
    const tones = { humHz: null, humDbfs: -120, tones: [311] };
    expect(roomInWords({ ...quiet, report: tones })).to.match(/somebody else is playing/);
  });
});
