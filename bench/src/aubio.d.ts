declare module 'aubiojs' {
  interface Pitch {
    do(samples: Float32Array): number;
  }
  export default function Aubio(): Promise<{
    Pitch: new (method: string, size: number, hop: number, rate: number) => Pitch;
  }>;
}
