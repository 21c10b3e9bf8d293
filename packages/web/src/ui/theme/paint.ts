import { cssVariables, type Palette } from './palette'
import { tokenCss } from './tokens'

/** Gives the page its sizes and colours: everything that is drawn asks for them by their names. */
export function paint(palette: Palette, name: 'light' | 'dark'): void {
  const { style } = document.documentElement
  for (const rule of (tokenCss() + cssVariables(palette)).split(';')) {
    const [property, value] = rule.split(':')
    if (property && value) style.setProperty(property, value)
  }
  style.colorScheme = name
}
