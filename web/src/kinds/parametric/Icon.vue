<template>
  <path d="M4 5q9 3.5 18 0v11q-9 3.5 -18 0zM10 6.6v11M16 6.6v11M4 10.5q9 3.5 18 0" class="stairs" />
</template>
