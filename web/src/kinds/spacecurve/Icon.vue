<template><path d="M3 13q12 2 12 -2t-8 -2q-4 0 -2 -3t10 -3q14 0 14 -1" class="stairs" /></template>
