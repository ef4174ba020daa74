import type { Plugin } from 'vite'

export declare const packed: () => Plugin
