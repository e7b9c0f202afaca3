import './charts.css';
import type { ScaleLinear } from 'd3-scale';

interface XProps {
  readonly scale: ScaleLinear<number, number>;
  readonly y: number;
  readonly label: string;
}

/** A horizontal axis with ticks, its quantity and its unit. */
export function AxisX({ scale, y, label }: XProps) {
  const [from = 0, to = 0] = scale.range();
  return (
    <g className="axis">
      <line x1={from} x2={to} y1={y} y2={y} />
      {scale.ticks(8).map((tick) => (
        <g key={tick} transform={`translate(${scale(tick)},${y})`}>
          <line y2={5} />
          <text y={17} textAnchor="middle">
            {tick}
          </text>
        </g>
      ))}
      <text x={to} y={y + 30} textAnchor="end">
        {label}
      </text>
    </g>
  );
}

interface YProps {
  readonly scale: ScaleLinear<number, number>;
  readonly x: number;
  readonly label: string;
}

/** A vertical axis with ticks, its quantity and its unit. */
export function AxisY({ scale, x, label }: YProps) {
  const [from = 0, to = 0] = scale.range();
  return (
    <g className="axis">
      <line x1={x} x2={x} y1={from} y2={to} />
      {scale.ticks(6).map((tick) => (
        <g key={tick} transform={`translate(${x},${scale(tick)})`}>
          <line x2={-5} />
          <text x={-9} dy="0.35em" textAnchor="end">
            {tick > 0 ? `+${tick}` : String(tick).replace('-', '−')}
          </text>
        </g>
      ))}
      <text x={x + 6} y={to + 4}>
        {label}
      </text>
    </g>
  );
}
