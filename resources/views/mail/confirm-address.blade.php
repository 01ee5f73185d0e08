A studio in Knotty Prism was opened with this address, or was given it.

If it is yours, open this page. It works for {{ $days }} days.

{!! $url !!}

If it is not, leave this message be: nobody can share anything in your name.
