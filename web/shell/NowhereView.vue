<script setup lang="ts">
import { NOWHERE_VIEW } from '@jade/words/shell';
</script>

<template>
  <div class="stack">
    <h1>{{ NOWHERE_VIEW.nothing }}</h1>
    <p>
      <router-link class="push main" :to="{ name: 'board' }">{{ NOWHERE_VIEW.toBoard }}</router-link>
    </p>
  </div>
</template>
