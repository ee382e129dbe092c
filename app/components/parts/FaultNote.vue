<script setup lang="ts">
/** What is wrong and what to do, told as soon as it stands there. */
</script>

<template>
  <p class="font-bold text-renew" role="alert"><slot /></p>
</template>
