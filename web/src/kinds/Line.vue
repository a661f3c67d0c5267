<template><path d="M2 8h28" /></template>
