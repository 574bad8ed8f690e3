import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  resolve: { tsconfigPaths: true },
  optimizeDeps: { entries: ['app/**/*.{ts,tsx}'] },
  worker: { format: 'es' },
  // Nothing inline: the content policy lets fonts come from files only.
  build: { assetsInlineLimit: 0 },
})
