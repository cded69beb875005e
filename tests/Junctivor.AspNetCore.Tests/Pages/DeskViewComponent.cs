using Microsoft.AspNetCore.Mvc;

namespace Junctivor.AspNetCore.Tests.Pages;

public sealed class DeskViewComponent(Desk desk) : ViewComponent
{
    public string Invoke() => desk.Answer;
}
