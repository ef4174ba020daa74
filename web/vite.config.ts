/// <reference types="vitest/config" />
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { packed } from './packed.js'
import { styleFirst } from './styleFirst.js'

export default defineConfig({
  plugins: [react(), tailwindcss(), styleFirst(), packed()],
  server: { proxy: { '/api': 'http://127.0.0.1:8420' }, fs: { allow: ['..'] } },
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    rolldownOptions: {
      input: ['index.html', 'job.html', 'docs.html', 'pair.html', 'day.html'],
    },
  },
  // one page environment for all files: making one for each took most of the time
  test: { environment: 'jsdom', isolate: false, include: ['src/**/*.test.{ts,tsx}'] },
})
