import { strumFigures, strummedBy } from './strums.ts';

const [a, b] = process.argv.slice(2).map(Number);
if (b === 1) {
  const t = performance.now();
  const s = strummedBy(a!, { knownB: process.argv[4] === 'k', missing: process.argv[4] === 'm' });
  console.log(s.kind, (performance.now() - t).toFixed(0), 'ms');
  s.read.forEach((r, i) =>
    console.log(
      r.course,
      s.scene.strings[i]!.target.toFixed(1),
      'err',
      s.errors[i]?.toFixed(2),
      '±',
      r.errorCents.toFixed(2),
      'margin',
      r.margin.toFixed(0),
      'own',
      r.own,
      'out',
      r.outliers.toFixed(2),
      'agree',
      r.agree.toFixed(2),
      'B',
      (r.inharmonicity * 1e5).toFixed(1),
      (s.scene.strings[i]!.b * 1e5).toFixed(1),
      r.sure,
    ),
  );
} else strumFigures(a!, b!);
