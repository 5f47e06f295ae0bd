<template><p>log</p></template>
