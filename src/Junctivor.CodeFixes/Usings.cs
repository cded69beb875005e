// What the base library has and netstandard2.0 has not.
global using Polyfills;
