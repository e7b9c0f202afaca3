import type { LogEntry, Measurement, Session, StampedEvent } from '@rosefinch/core/sitting';
import { expect } from 'chai';
import { allStored, type Heard, OpenSitting, type SittingStore } from './openSitting.ts';

const AT = Date.UTC(2026, 2, 10, 9);
const session = (id: string, tolerance = 2): Session => ({
  id,
  instrumentId: 'heron',
  tuningId: 'guitar-standard',
  a4: 440,
  tolerance,
  source: 'microphone',
  startedAt: AT,
  zone: 'Europe/Berlin',
  endedAt: null,
});
const reading = (course: number, cents: number): StampedEvent => ({
  type: 'reading',
  at: AT,
  reading: { course, cents, errorCents: 0.4, moving: false, hz: 100 },
});

/** Records whose disk does what a test says, when it says so. */
class Disk implements SittingStore {
  waiting: { id: string; session: Session; event: StampedEvent }[] = [];
  measured: Measurement[] = [];
  watched = 0;
  found: (session: Session | null) => void = () => {};
  private changed: () => void = () => {};
  private read: ReadonlyMap<string, (log: readonly LogEntry[]) => void> = new Map();
  private next = 0;

  watchSession(found: (session: Session | null) => void) {
    this.watched++;
    this.found = found;
    return () => void this.watched--;
  }
  watchLog(id: string, read: (log: readonly LogEntry[]) => void) {
    this.watched++;
    this.read = new Map([...this.read, [id, read]]);
    return () => void this.watched--;
  }
  measurements(ids: readonly string[]) {
    return Promise.resolve(this.measured.filter(({ id }) => ids.includes(id)));
  }
  append(of: Session, event: StampedEvent) {
    const draft = { id: `d${this.next++}`, session: of, event };
    this.waiting = [...this.waiting, draft];
    this.changed();
    return draft;
  }
  pending = () => this.waiting;
  subscribe(changed: () => void) {
    this.watched++;
    this.changed = changed;
    return () => void this.watched--;
  }
  /** The oldest that waits is stored; it is not read back yet. */
  take() {
    this.waiting = this.waiting.slice(1);
    this.changed();
  }
  reads(id: string, ...events: readonly (readonly [string, StampedEvent])[]) {
    this.read.get(id)?.(
      events.map(([of, event], number) => ({ id: of, sessionId: id, machine: 'm', number, event })),
    );
  }
}

const GOAL = { order: [6, 5, 4, 3, 2, 1], tolerance: 2 };
const opened = () => {
  const disk = new Disk();
  let begun = 0;
  const sitting = new OpenSitting(disk, {
    goal: () => GOAL,
    begin: () => session(`s${begun++}`),
    now: () => AT,
  });
  const close = sitting.open();
  return { disk, sitting, close };
};
const ids = (log: readonly Heard[]) => log.map(({ id }) => id);
const { at: _, ...six } = reading(6, -12) as StampedEvent & { type: 'reading' };

describe('an open sitting', () => {
  it('begins with its first event, which is shown before it is stored', () => {
    const { disk, sitting } = opened();
    expect(sitting.latest()).to.deep.include({ session: null, loaded: false });
    disk.found(null);
    sitting.record(six);
    const { session: begun, log, state } = sitting.latest();
    expect(begun?.id).to.equal('s0');
    expect(log).to.have.length(1);
    expect(allStored(log)).to.equal(false);
    expect(state.active).to.equal(6);
    disk.take();
    expect(allStored(sitting.latest().log)).to.equal(true);
    // Nothing flickers between being stored and being read back.
    expect(sitting.latest().log).to.have.length(1);
    disk.found(session('s0'));
    disk.reads('s0', ['d0', reading(6, -12)]);
    expect(sitting.latest().log).to.have.length(1);
  });

  it('is what another tab has begun, with what it hears, at once', () => {
    const { disk, sitting } = opened();
    let told = 0;
    sitting.subscribe(() => told++);
    disk.found(session('theirs', 5));
    disk.reads('theirs', ['a', reading(5, 1)]);
    expect(ids(sitting.latest().log)).to.deep.equal(['a']);
    expect(sitting.latest().state.goal.tolerance).to.equal(5);
    sitting.record(six);
    disk.reads('theirs', ['a', reading(5, 1)], ['b', reading(5, 1)]);
    expect(ids(sitting.latest().log)).to.deep.equal(['a', 'b', 'd0']);
    // The disk’s order holds: theirs came in before ours.
    disk.take();
    disk.reads('theirs', ['a', reading(5, 1)], ['b', reading(5, 1)], ['d0', reading(6, -12)]);
    expect(ids(sitting.latest().log)).to.deep.equal(['a', 'b', 'd0']);
    const before = told;
    disk.reads('theirs', ['a', reading(5, 1)], ['b', reading(5, 1)], ['d0', reading(6, -12)]);
    expect(told).to.equal(before);
    const strings = sitting.latest().state.passes[0]!.strings;
    expect(strings.find(({ course }) => course === 5)?.readings).to.have.length(2);
  });

  it('that another tab has ended begins anew', () => {
    const { disk, sitting } = opened();
    disk.found(session('s'));
    disk.reads('s', ['a', reading(5, 1)]);
    disk.found(null);
    expect(sitting.latest()).to.deep.include({ session: null, log: [] });
  });

  it('left here stays left though the disk still calls it open, and can be taken up again', () => {
    const { disk, sitting } = opened();
    disk.found(session('s'));
    disk.reads('s', ['a', reading(5, 1)]);
    const left = sitting.leave();
    expect(left?.id).to.equal('s');
    disk.found(session('s'));
    expect(sitting.latest().session).to.equal(null);
    sitting.record(six);
    expect(sitting.latest().session?.id).to.equal('s0');
    sitting.leave();
    sitting.resume(left!);
    disk.reads('s', ['a', reading(5, 1)]);
    expect(ids(sitting.latest().log)).to.deep.equal(['a']);
  });

  it('shows what was not stored when its view was left before', () => {
    const { disk, sitting, close } = opened();
    disk.found(null);
    sitting.record(six);
    close();
    const again = new OpenSitting(disk, {
      goal: () => GOAL,
      begin: () => session('new'),
      now: () => AT,
    });
    again.open();
    disk.found(session('s0'));
    expect(ids(again.latest().log)).to.deep.equal(['d0']);
    expect(allStored(again.latest().log)).to.equal(false);
  });

  it('fetches the measurements of readings that came from elsewhere', async () => {
    const { disk, sitting } = opened();
    const measurement = { id: 'a', sessionId: 's', track: Float32Array.of(1, 2) } as Measurement;
    disk.measured = [measurement];
    disk.found(session('s'));
    disk.reads('s', ['a', reading(5, 1)]);
    await Promise.resolve();
    await Promise.resolve();
    expect(sitting.latest().log[0]?.measurement?.track).to.equal(measurement.track);
  });

  it('leaves nothing behind once it is closed', () => {
    const { disk, sitting, close } = opened();
    disk.found(session('s'));
    sitting.leave();
    sitting.record(six);
    close();
    expect(disk.watched).to.equal(0);
  });
});
