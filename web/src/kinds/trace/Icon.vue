<template><circle v-for="(y, k) in [12, 8, 5, 4, 5, 8]" :key="k" :cx="3 + 5 * k" :cy="y" r="1.9" /></template>
