export { draftFile as default } from './formats.ts'
