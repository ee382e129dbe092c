<script setup lang="ts">
const { data } = await useFetch('/api/board')
</script>
<template><pre>{{ data }}</pre></template>
