<template><path d="M3 14V7q13 -9 26 0v7z" class="stairs shaded" /></template>
