import { BrowserMultiFormatReader } from '@zxing/browser';

/** Reads the first barcode or QR code in a picture. @returns null where none is found. */
export async function readCode(file: Blob): Promise<string | null> {
  const url = URL.createObjectURL(file);
  try {
    return (await new BrowserMultiFormatReader().decodeFromImageUrl(url)).getText();
  } catch {
    return null;
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** Reads codes from the camera into a video element until one is found or `stop` is called. */
export async function watchCamera(video: HTMLVideoElement, found: (text: string) => void): Promise<() => void> {
  const controls = await new BrowserMultiFormatReader().decodeFromVideoDevice(undefined, video, (result) => {
    if (!result) return;
    found(result.getText());
    controls.stop();
  });
  return () => controls.stop();
}
