<template><path d="M4 13L28 13L20 3Z" class="stairs" /></template>
