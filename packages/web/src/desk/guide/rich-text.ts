import MarkdownIt from 'markdown-it'

/** Paragraphs, lists and emphasis, and nothing else: no HTML, no links, no pictures. */
const markdown = new MarkdownIt('zero', { html: false, breaks: true }).enable(['emphasis', 'list', 'newline'])

/** Simple rich text as HTML that is safe to show: whatever looks like a tag is text. */
export const richText = (text: string): string => markdown.render(text)
