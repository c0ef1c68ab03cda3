<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\Logbook\DueBook;
use Psr\Clock\ClockInterface;
use Sabre\VObject\Component\VCalendar;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The due list as iCalendar: whole-day events, the same id every time. */
final class DueCalendarController
{
    #[Route('/logbook/calendar', name: 'due_calendar', methods: ['GET'])]
    public function __invoke(DueBook $dues, ClockInterface $clock): Response
    {
        $calendar = new VCalendar(['PRODID' => '-//Nimble Knuckle//Due list//EN']);
        foreach ($dues->openRows() as $due) {
            $event = $calendar->createComponent(
                'VEVENT',
                [
                    'UID' => $due->id.'@nimble-knuckle.invalid', 'DTSTAMP' => $clock->now(),
                    'SUMMARY' => sprintf('%s: %s', $due->after->short, $due->title),
                    'DESCRIPTION' => $due->text.($due->day->afterKm > 0 ? sprintf(
                        ' Due at %d km or on this day, whichever comes first.', $due->day->afterKm,
                    ) : ''),
                ],
            );
            $event->add('DTSTART', str_replace('-', '', substr($due->day->on, 0, 10)), ['VALUE' => 'DATE']);
            $calendar->add($event);
        }

        return new Response(
            $calendar->serialize(),
            headers: ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="due.ics"'],
        );
    }
}
