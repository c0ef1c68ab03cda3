<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** What moves or stays as one: two of them are tied by what lies between. */
enum Body: string
{
    case Shell = 'body';
    case Engine = 'engine';
    case Gearbox = 'gearbox';
    case Crossmember = 'crossmember';
    case Subframe = 'subframe';
    case Exhaust = 'exhaust';
    case Radiator = 'radiator';
    case Axle = 'axle';
}
