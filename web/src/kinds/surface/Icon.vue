<template><path d="M2 11q8 -9 14 -4t14 -4v4q-8 8 -14 5t-14 2z" class="stairs shaded" /></template>
