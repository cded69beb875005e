// What the host asks its provider of a request, beside a type: its public interfaces for that, and attributes that it reads. Named here
// alone; nothing of them is registered or replaced.
global using HostConstructorAttribute = Microsoft.Extensions.DependencyInjection.ActivatorUtilitiesConstructorAttribute;
global using HostKeyAttribute = Microsoft.Extensions.DependencyInjection.FromKeyedServicesAttribute;
global using IHostKeyedLookup = Microsoft.Extensions.DependencyInjection.IKeyedServiceProvider;
global using IHostKeyedServiceCheck = Microsoft.Extensions.DependencyInjection.IServiceProviderIsKeyedService;
global using IHostRequiredLookup = Microsoft.Extensions.DependencyInjection.ISupportRequiredService;
