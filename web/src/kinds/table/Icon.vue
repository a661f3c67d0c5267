<template><circle v-for="(y, k) in [13, 9, 11, 4]" :key="k" :cx="4 + 8 * k" :cy="y" r="2.6" /></template>
