import { useEffect, useState } from 'react'

/** Has the device say a text when somebody asks for it; null where it can't. */
export function useReadAloud(text: string): { reading: boolean; toggle: () => void } | null {
  const [reading, setReading] = useState(false)
  const [can, setCan] = useState(false)
  useEffect(() => setCan('speechSynthesis' in window), [])
  useEffect(() => {
    if (!reading) return
    const speech = new SpeechSynthesisUtterance(text)
    speech.lang = document.documentElement.lang
    speech.onend = () => setReading(false)
    speech.onerror = () => setReading(false)
    // One thing at a time.
    window.speechSynthesis.cancel()
    window.speechSynthesis.speak(speech)
    return () => {
      speech.onend = null
      speech.onerror = null
      window.speechSynthesis.cancel()
    }
  }, [reading, text])
  return can ? { reading, toggle: () => setReading(!reading) } : null
}
