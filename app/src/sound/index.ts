export { keepAwake } from './awake.ts';
export { openCamera } from './camera.ts';
export { useInputDevices } from './devices.ts';
export { Ear, type EarHearer, type PracticeHands } from './ear.ts';
export type { AnalysisReport, PracticeStart } from './protocol.ts';
export { decodeRecording, RecordingProblem, readRecording } from './recording.ts';
export { SoundPlayer } from './soundPlayer.ts';
export { MicrophoneProblem } from './source.ts';
