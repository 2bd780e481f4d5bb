/** As far as it is used here: the package has no types of its own. */
declare module 'webvtt-parser' {
  export class WebVTTParser {
    parse(
      text: string,
      mode: 'captions',
    ): {
      cues: { startTime: number; endTime: number; text: string }[]
      errors: { message: string; line: number; col?: number }[]
    }
  }
}
