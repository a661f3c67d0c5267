<template><path d="M2 13h9v-5h9v-5h10" class="stairs" /></template>
