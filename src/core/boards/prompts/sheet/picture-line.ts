/** How a picture stands in the text of a sheet. */
export const pictureLine = (title: string): string => (title === '' ? '[Picture]' : `[Picture: ${title}]`)
