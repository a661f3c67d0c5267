import vue from '@vitejs/plugin-vue';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import Components from 'unplugin-vue-components/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [
    vue(),
    Components({ dirs: [], dts: false, resolvers: [AntDesignVueResolver({ importStyle: false })] }),
  ],
  // The strict Content-Security-Policy takes fonts and scripts from files only.
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 1200 },
  worker: { format: 'es' },
});
