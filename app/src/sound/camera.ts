/** Opens the camera that looks away from the reader; its picture stays in the page. @throws Error if there is none, or it is denied */
export function openCamera(): Promise<MediaStream> {
  return navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
}
