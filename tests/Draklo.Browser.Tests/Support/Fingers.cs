using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Draklo.Browser.Tests.Support;

/// <summary>What is done with fingers.</summary>
public sealed partial class Screen
{
    /// <summary>Takes hold of something with a finger and moves it.</summary>
    public void DragByTouch(string css, int across, int down)
    {
        var touch = new PointerInputDevice(PointerKind.Touch);
        var sequence = new ActionSequence(touch);
        sequence.AddAction(touch.CreatePointerMove(Find(By.CssSelector(css)), 0, 0, TimeSpan.Zero));
        sequence.AddAction(touch.CreatePointerDown(MouseButton.Touch));
        for (var i = 0; i < 5; i++)
        {
            sequence.AddAction(
                touch.CreatePointerMove(CoordinateOrigin.Pointer, across / 5, down / 5, TimeSpan.FromMilliseconds(20))
            );
        }

        sequence.AddAction(touch.CreatePointerUp(MouseButton.Touch));
        driver.PerformActions([sequence]);
    }

    /// <summary>Two fingers on the middle of an element, so far apart before and after, pixels.</summary>
    public void Pinch(string css, int from, int to)
    {
        var fingers = new[] { -1, 1 }
            .Select(
                (side, n) =>
                {
                    var finger = new PointerInputDevice(PointerKind.Touch, $"finger {n}");
                    var sequence = new ActionSequence(finger);
                    var on = Find(By.CssSelector(css));
                    sequence.AddAction(finger.CreatePointerMove(on, side * from / 2, 0, TimeSpan.Zero));
                    sequence.AddAction(finger.CreatePointerDown(MouseButton.Touch));
                    for (var i = 1; i <= 5; i++)
                    {
                        sequence.AddAction(
                            finger.CreatePointerMove(
                                CoordinateOrigin.Pointer,
                                side * (to - from) / 10,
                                0,
                                TimeSpan.FromMilliseconds(20)
                            )
                        );
                    }

                    sequence.AddAction(finger.CreatePointerUp(MouseButton.Touch));
                    return sequence;
                }
            )
            .ToList();
        driver.PerformActions(fingers);
    }
}
