import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { keys } from '../api/keys'

const AGAIN_MS = 2000

/** Readings and the day of this job are asked for anew when the server says that some have come, by whichever server they did. */
export const useNews = (jobId: string, onNews?: () => void): void => {
  const client = useQueryClient()
  const told = useRef(() => {})
  told.current =
    onNews ??
    (() => {
      void client.invalidateQueries({ queryKey: keys.readings(jobId) })
      void client.invalidateQueries({ queryKey: keys.day(jobId) })
    })
  useEffect(() => {
    let socket: WebSocket | null = null
    let again: ReturnType<typeof setTimeout>
    let over = false
    const open = () => {
      socket = new WebSocket(`${window.location.origin.replace('http', 'ws')}/api/jobs/${jobId}/news`)
      // what came while nobody listened is found now
      socket.onopen = () => told.current()
      socket.onmessage = () => told.current()
      socket.onclose = () => {
        if (!over) again = setTimeout(open, AGAIN_MS)
      }
    }
    open()
    return () => {
      over = true
      clearTimeout(again)
      socket?.close()
    }
  }, [jobId])
}
