<script setup lang="ts">
/** The strip of the song that is being played: a click goes there, a drag is the loop. */
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { usePlayer } from '../../engine/player-store'
import type { Span } from '../lane/viewport'
import type { Flag } from './flag'
import SongStrip from './SongStrip.vue'
import { useCalm } from '../../engine/calm'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  /** Loudness that is known already, until the player has measured it. */
  momentary?: ArrayLike<number | null> | null | undefined
  /** The stretch in view. */
  shown?: Span | null
  marked?: Span | null
  flags?: readonly Flag[]
}>()
const emit = defineEmits<{ flag: [id: string, kind: Flag['kind']] }>()

const player = usePlayer()
/** A picture of the whole song: it need not keep pace with a moving hand. */
const band = useCalm(() => player.measured?.momentary ?? props.momentary ?? null)
</script>

<template>
  <SongStrip
    :song="song"
    :time="player.heardTime?.length === time.length ? player.heardTime : time"
    :position="() => player.position"
    :momentary="band"
    :measuring="player.measuring"
    :loop="player.loop"
    :looping="player.looping"
    :shown="shown ?? null"
    :marked="marked ?? null"
    :flags="flags ?? []"
    @go="player.seek"
    @loop="(stretch) => player.setLoop(stretch, true)"
    @flag="(id, kind) => emit('flag', id, kind)"
  />
</template>
