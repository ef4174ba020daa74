import type { Plugin } from 'vite'

export declare const styleFirst: () => Plugin
