import { type Message, message } from '@rosefinch/core/message';
import { useEffect, useRef, useState } from 'react';
import { instrumentIn } from '../../parts/rounds/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { openCamera } from '../../sound/index.ts';

/** Between two looks, in ms. */
const EVERY = 250;
/** Shares of the picture that are looked at in turns: another label at its edge hides the one in the middle. */
const MIDDLES = [1, 0.8, 0.6] as const;

/** Reads the label of an instrument by the camera; the picture stays in this page and is not kept. */
export function LabelReader({ onRead }: { readonly onRead: (id: string) => boolean }) {
  const t = useWords();
  const video = useRef<HTMLVideoElement>(null);
  const [problem, setProblem] = useState<Message | null>(null);
  const latest = useRef(onRead);
  latest.current = onRead;
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    let gone = false;
    const open = async () => {
      const { default: jsQr } = await import('jsqr');
      stream = await openCamera();
      if (gone || !video.current) return stop(stream);
      video.current.srcObject = stream;
      await video.current.play();
      let looks = 0;
      timer = setInterval(() => {
        const share = MIDDLES[looks++ % MIDDLES.length] ?? 1;
        const picture = video.current && middleOf(video.current, share);
        const text = picture && jsQr(picture.data, picture.width, picture.height)?.data;
        const id = text ? instrumentIn(text) : null;
        if (id !== null && !latest.current(id)) setProblem(message('bench.notInRound'));
      }, EVERY);
    };
    open().catch(() => setProblem(message('bench.noCamera')));
    return () => {
      gone = true;
      clearInterval(timer);
      if (stream) stop(stream);
    };
  }, []);
  return (
    <>
      {problem && <p role="alert">{t(problem)}</p>}
      <video
        ref={video}
        muted
        playsInline
        className="label-reader"
        aria-label={t('bench.whatTheCameraSees')}
      />
    </>
  );
}

function stop(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}

/** The middle of what a camera sees, of a share of its width and height. */
function middleOf(video: HTMLVideoElement, share: number): ImageData | null {
  const [width, height] = [video.videoWidth, video.videoHeight].map((all) =>
    Math.round(all * share),
  ) as [number, number];
  if (width === 0) return null;
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  context?.drawImage(video, (width - video.videoWidth) / 2, (height - video.videoHeight) / 2);
  return context?.getImageData(0, 0, width, height) ?? null;
}
