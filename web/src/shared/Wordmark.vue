<template>
  <span class="wordmark">Par<b>v</b>ix</span>
</template>

<style scoped>
.wordmark {
  font-family: var(--serif);
  font-size: 21px;
  font-weight: 700;
  letter-spacing: 0.02em;
}
b {
  color: var(--brass);
}
</style>
