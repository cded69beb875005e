// What the base class library has and netstandard2.0 has not.
global using Polyfills;
