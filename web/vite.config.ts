import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

const server = "http://127.0.0.1:8420";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    outDir: "../src/monedero/api/site",
    emptyOutDir: true,
    // Two entries: the owner's desk, and the pages that buyers see.
    rollupOptions: { input: ["index.html", "buy.html"] },
  },
  server: { proxy: { "/api": server, "/simulated-provider": server, "/return": server } },
});
