interface Props {
  readonly course: number;
  /** Where the number stands, and the string from end to end. */
  readonly label: number;
  readonly from: number;
  readonly to: number;
  readonly y: number;
  readonly width: number;
  readonly leftHanded?: boolean | undefined;
}

/** A string of a drawn fretboard, with its number. */
export function NumberedString({ course, label, from, to, y, width, leftHanded }: Props) {
  return (
    <g>
      <text x={label} y={y + 4} textAnchor={leftHanded ? 'end' : 'start'}>
        {course}
      </text>
      <line x1={from} x2={to} y1={y} y2={y} stroke="var(--ink)" strokeWidth={width} />
    </g>
  );
}
