<template><circle cx="16" cy="8" r="5.5" /></template>
