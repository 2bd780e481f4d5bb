import { type Named, proposals } from '~/core/people/likeness'

/** Holds typed names against a list beside the page: of twenty names and five thousand that takes a fifth of a second. */
self.onmessage = ({ data }: MessageEvent<{ typed: Named[]; listed: Named[] }>) =>
  self.postMessage(proposals(data.typed, data.listed))
