import { useEffect } from 'react'

/** What a new plan begins with, where this browser is: today or tomorrow at the next full hour, and a name that says so. */
function beginning(cohort: string): Record<'title' | 'date' | 'time', string> {
  const next = new Date()
  next.setHours(next.getHours() + 1, 0, 0, 0)
  const day = next.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })
  return {
    title: `${cohort}, ${day}`,
    date: new Intl.DateTimeFormat('sv-SE').format(next),
    time: `${String(next.getHours()).padStart(2, '0')}:00`,
  }
}

/** Fills the fields of a new plan that are empty once the page has come alive: what was typed before then stays. */
export function useBeginning(formId: string, isNew: boolean, cohort: string): void {
  useEffect(() => {
    const form = document.getElementById(formId)
    if (!isNew || !(form instanceof HTMLFormElement)) return
    for (const [name, value] of Object.entries(beginning(cohort))) {
      const field = form.elements.namedItem(name)
      // Whoever is in a field is about to type there.
      if (!(field instanceof HTMLInputElement) || field.value !== '' || field === document.activeElement)
        continue
      field.value = value
      field.dispatchEvent(new Event('input', { bubbles: true }))
    }
  }, [formId, isNew, cohort])
}
