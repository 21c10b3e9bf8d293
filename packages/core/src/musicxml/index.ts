/** Scores in MusicXML, read as music. */
export { isMusicXml, MUSICXML_LIMITS, readMusicXml } from './read-musicxml'
