using System.Reflection;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Abstractions;
using Microsoft.AspNetCore.Mvc.Controllers;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace Junctivor.EntryPoints;

/// <summary>Reads controllers, their actions, and the filters of actions and pages.</summary>
internal static class ControllerReader
{
    /// <summary>The class that such a filter creates: the only type that it is told.</summary>
    private static readonly PropertyInfo CreatedBy =
        typeof(TypeFilterAttribute).GetProperties().Single(property => property.PropertyType == typeof(Type));

    public static void Read(Endpoint endpoint, string name, IServiceProvider host, FoundEntryPoints found)
    {
        if (endpoint.Metadata.GetMetadata<ActionDescriptor>() is not { } action)
        {
            return;
        }

        foreach (FilterDescriptor filter in action.FilterDescriptors)
        {
            ReadFilter(filter.Filter, name, found);
        }

        if (action is ControllerActionDescriptor controlled)
        {
            CreatedByHost.Read(
                controlled.ControllerTypeInfo, "AddControllersAsServices",
                host.GetService(typeof(IControllerActivator)) is ServiceBasedControllerActivator, found);
            HandlerParameter[] parameters = [.. HandlerParameter.AllOf(controlled.MethodInfo)];
            found.Add(
                $"{controlled.ControllerTypeInfo.Name}.{controlled.MethodInfo.Name} ({name})", controlled.MethodInfo,
                parameters.Where(parameter => parameter.IsMarkedAsService));
            HandlerReader.FindServiceInBody(
                $"{controlled.ControllerTypeInfo.Name}.{controlled.MethodInfo.Name}", controlled.MethodInfo,
                parameters.Where(parameter => IsBody(controlled, parameter.Name)), found);
        }
    }

    /// <summary>A filter that the host creates, by a type that it is told.</summary>
    private static void ReadFilter(IFilterMetadata filter, string name, FoundEntryPoints found)
    {
        if (filter is TypeFilterAttribute { Arguments: var arguments } && CreatedBy.GetValue(filter) is Type created)
        {
            found.AddClass(created.Name, created, [.. (arguments ?? []).Select(argument => argument?.GetType() ?? typeof(object))]);
        }
        else if (filter is ServiceFilterAttribute { ServiceType: var service })
        {
            found.Add($"[ServiceFilter] of {name}", service, [new HandlerParameter("filter", service, [], () => false)]);
        }
    }

    private static bool IsBody(ControllerActionDescriptor action, string parameter) => action.Parameters.Any(described =>
        described.Name == parameter && described.BindingInfo?.BindingSource == BindingSource.Body);
}
