<template><circle cx="16" cy="8" r="6.5" class="ring" /></template>
