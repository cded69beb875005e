// The attribute of the host for a service with a key; named here alone.
global using FromKeyAttribute = Microsoft.Extensions.DependencyInjection.FromKeyedServicesAttribute;
global using IHostKeyedServiceCheck = Microsoft.Extensions.DependencyInjection.IServiceProviderIsKeyedService;
