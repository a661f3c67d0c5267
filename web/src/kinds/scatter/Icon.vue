<template>
  <circle
    v-for="([x, y], k) in [
      [5, 13],
      [9, 9],
      [14, 11],
      [17, 6],
      [23, 5],
      [27, 2.6],
    ]"
    :key="k"
    :cx="x"
    :cy="y"
    r="2"
  />
</template>
