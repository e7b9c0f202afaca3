import { steelGuitar } from '@rosefinch/core/strings';
import { expect } from 'chai';
import { Ear, type EarHearer } from './ear.ts';
import type { AnalysisMessage, AnalysisReport, AnalysisRequest } from './protocol.ts';
import type { MicrophoneProblem } from './source.ts';

/** A worker that does nothing, and can be made to say something. */
class Silent {
  static made: Silent[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  readonly asked: (AnalysisRequest & Record<string, unknown>)[] = [];
  ended = false;
  readonly name: string;
  constructor(url: URL) {
    this.name = /(\w+)\.worker/.exec(String(url))?.[1] ?? '';
    Silent.made.push(this);
  }
  postMessage(request: never): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.ended = true;
  }
}

interface Told {
  readonly reports: AnalysisReport[];
  readonly problems: string[];
  readonly truths: (readonly number[])[];
  again: number;
}

const START = {
  instrument: steelGuitar('g', 'G'),
  targetsHz: [82],
  detuneCents: [0],
  seed: 1,
  sampleRate: 48_000,
};

describe('the ear', () => {
  const real = globalThis.Worker;
  const ports: MessagePort[] = [];
  const RealChannel = globalThis.MessageChannel;
  beforeEach(() => {
    Silent.made = [];
    Object.assign(globalThis, {
      Worker: Silent,
      MessageChannel: class extends RealChannel {
        constructor() {
          super();
          ports.push(this.port1, this.port2);
        }
      },
    });
  });
  afterEach(() => {
    Object.assign(globalThis, { Worker: real, MessageChannel: RealChannel });
    for (const port of ports.splice(0)) port.close();
  });

  const open = () => {
    const told: Told = { reports: [], problems: [], truths: [], again: 0 };
    const hearer: EarHearer = {
      report: (report) => told.reports.push(report),
      problem: (problem: MicrophoneProblem) => told.problems.push(problem.message),
      truth: (deviations) => told.truths.push(deviations),
      again: () => told.again++,
    };
    const ear = new Ear(hearer);
    const worker = (name: string) => Silent.made.findLast((one) => one.name === name)!;
    const say = (opening: number, report: AnalysisReport) =>
      worker('analysis').onmessage?.({ data: { opening, report } satisfies AnalysisMessage });
    return { ear, told, worker, say };
  };
  const types = (requests: readonly { type: string }[]) => requests.map(({ type }) => type);

  it('opens a practice instrument, and hears what it truly is', () => {
    const { ear, told, worker } = open();
    const hands = ear.openPractice(START, false);
    expect(types(worker('analysis').asked)).to.include('open');
    worker('practice').onmessage?.({ data: { type: 'truth', deviations: [-12] } });
    expect(told.truths).to.deep.equal([[-12]]);
    hands.pluck(1, 0.5);
    hands.turn(1, 0.1);
    hands.stretch(1);
    hands.elapse(60);
    hands.mute();
    expect(types(worker('practice').asked)).to.deep.equal([
      'start',
      'mark',
      'pluck',
      'turn',
      'stretch',
      'elapse',
      'mute',
    ]);
    ear.close();
  });

  it('tells a source that is opened what is asked just now', () => {
    const { ear, worker } = open();
    ear.ask(7, 0.2);
    ear.openPractice(START, false);
    expect(worker('practice').asked.at(-1)).to.deep.include({
      type: 'mark',
      mark: { mark: 'ask', asked: 7, ago: 0 },
    });
    ear.ask(8, 0.1);
    expect(worker('practice').asked.at(-1)).to.deep.include({
      mark: { mark: 'ask', asked: 8, ago: 0.1 },
    });
    ear.close();
  });

  it('what comes late of a source that was closed belongs to nobody', () => {
    const { ear, told, worker, say } = open();
    ear.openPractice(START, false);
    const first = worker('practice');
    ear.openPractice(START, false);
    say(1, { type: 'released', at: 1 });
    expect(told.reports).to.deep.equal([]);
    expect(first.ended).to.equal(true);
    say(2, { type: 'released', at: 1 });
    expect(told.reports).to.have.length(1);
    ear.closeSource();
    say(2, { type: 'released', at: 2 });
    expect(told.reports).to.have.length(1);
    expect(types(worker('analysis').asked)).to.include('close');
    ear.close();
  });

  it('a helper that stops is begun anew once, with what is known, and the second time it is said', () => {
    const { ear, told, worker } = open();
    const strings = [{ target: { course: 1, midi: 64, hz: 329.6 } }];
    ear.know(strings, []);
    ear.openPractice(START, false);
    const before = worker('analysis');
    before.onerror?.({ message: 'out of memory' });
    expect(told.again).to.equal(1);
    expect(told.problems).to.deep.equal([]);
    expect(before.ended).to.equal(true);
    expect(worker('analysis')).to.not.equal(before);
    expect(worker('analysis').asked.at(-1)).to.deep.include({ type: 'know', strings });
    worker('analysis').onerror?.({ message: 'out of memory' });
    expect(told.problems).to.have.length(1);
    expect(told.problems[0]).to.match(/troubles\.stopped.*out of memory/);
    expect(told.again).to.equal(1);
    ear.close();
  });

  it('ends its helpers when it is closed', () => {
    const { ear } = open();
    ear.openPractice(START, false);
    ear.close();
    expect(Silent.made.map(({ ended }) => ended)).to.deep.equal([true, true]);
  });
});
