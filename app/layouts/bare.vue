<template>
  <div class="min-h-dvh bg-paper text-ink"><slot /></div>
</template>
