<template>
  <div class="stack">
    <h1>There is nothing at this address.</h1>
    <p><router-link class="push main" :to="{ name: 'board' }">Go to the day board</router-link></p>
  </div>
</template>
