<?php

declare(strict_types=1);

namespace Prism\Materials;

enum Binder: string
{
    case Wax = 'wax';
    case Oil = 'oil';
}
