import { list, message } from '@rosefinch/core/message';
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
    expect(roomInWords({ ...quiet, level: null })).to.deep.equal(message('common.notListening'));
    expect(roomInWords(quiet)).to.deep.equal(
      list([message('common.roomQuiet'), message('common.levelWaiting')], 'points'),
    );
    expect(roomInWords({ ...quiet, level: level(-20, -72) })).to.deep.equal(
      list([message('common.roomQuiet'), message('common.levelGood')], 'points'),
    );
    expect(roomInWords({ ...quiet, level: level(-30, -50) })).to.deep.equal(
      list([message('common.roomSomeNoise'), message('common.levelGood')], 'points'),
    );
    expect(roomInWords({ ...quiet, level: level(-30, -40) })).to.deep.equal(
      list([message('common.roomLoud'), message('common.levelWaiting')], 'points'),
    );
    expect(roomInWords({ ...quiet, level: level(-3, -72, 1) })).to.deep.equal(
      list([message('common.roomQuiet'), message('common.levelTooLoud')], 'points'),
    );
    expect(roomInWords({ ...quiet, deaf: true })).to.deep.equal(message('common.toneSounds'));
    expect(roomInWords({ ...quiet, lastReadingDbfs: -55 })).to.deep.equal(
      list([message('common.roomQuiet'), message('common.levelTooFar')], 'points'),
    );
  });

  it('names hum and other players', () => {
    const hum = { humHz: 50 as const, humDbfs: -60, tones: [] };
    expect(roomInWords({ ...quiet, report: hum })).to.deep.equal(
      list(
        [
          message('common.roomQuiet'),
          message('common.levelWaiting'),
          message('common.roomHum', { hz: 50 }),
        ],
        'points',
      ),
    );
    const tones = { humHz: null, humDbfs: -120, tones: [311] };
    expect(roomInWords({ ...quiet, report: tones })).to.deep.equal(
      list(
        [message('common.roomQuiet'), message('common.levelWaiting'), message('common.roomOthers')],
        'points',
      ),
    );
  });
});
